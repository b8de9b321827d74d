import type { Fact, NewEvent } from "../../api/types";

/** Events of one treatment that the server has not yet taken, in order; they survive a reload. */
export class Queue {
  constructor(
    private readonly treatmentId: string,
    private readonly store: Storage = window.localStorage,
  ) {}

  private get key() {
    return `ivesk.unsent.${this.treatmentId}`;
  }

  /** What the store would not take: kept by this page alone, until it is closed. */
  private held: NewEvent[] | undefined;

  /** Whether what waits would be lost with this page. */
  get unkept(): boolean {
    return this.held !== undefined && this.held.length > 0;
  }

  all(): NewEvent[] {
    if (this.held) return this.held;
    const kept = this.store.getItem(this.key);
    return kept ? (JSON.parse(kept) as NewEvent[]) : [];
  }

  private keep(events: NewEvent[]) {
    try {
      if (events.length === 0) this.store.removeItem(this.key);
      else this.store.setItem(this.key, JSON.stringify(events));
      this.held = undefined;
    } catch {
      this.held = events;
    }
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
    this.keep([...this.all(), event]);
    return event;
  }

  remove(id: string) {
    this.keep(this.all().filter((event) => event.id !== id));
  }
}
