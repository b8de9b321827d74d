import type { Fact, NewEvent } from "../api/types";

/** Events of one treatment that the server has not yet taken, in order; they survive a reload. */
export class Queue {
  constructor(
    private readonly treatmentId: string,
    private readonly store: Storage = window.localStorage,
  ) {}

  private get key() {
    return `ivesk.unsent.${this.treatmentId}`;
  }

  all(): NewEvent[] {
    const kept = this.store.getItem(this.key);
    return kept ? (JSON.parse(kept) as NewEvent[]) : [];
  }

  /**
   * Kept before anything else happens with it.
   *
   * @param by who says it, whoever sends it later
   */
  add(fact: Fact, at: Date, by?: string): NewEvent {
    const event: NewEvent = {
      id: crypto.randomUUID(),
      at: at.toISOString(),
      fact,
      by,
    };
    this.store.setItem(this.key, JSON.stringify([...this.all(), event]));
    return event;
  }

  remove(id: string) {
    const left = this.all().filter((event) => event.id !== id);
    if (left.length === 0) this.store.removeItem(this.key);
    else this.store.setItem(this.key, JSON.stringify(left));
  }
}
