let base = Date.now() - performance.now();
const jumped = new Set<() => void>();

/** The clock of this machine may lag its running time so far before it counts as asleep, ms. */
const ASLEEP = 1500;

/**
 * Milliseconds since 1970 as this machine had them when the page was opened, counted on by its
 * running time: setting the clock back moves nothing. Where the clock is ahead the machine may have
 * slept, so that it is believed, and whoever follows a server asks it at once.
 */
export function steadyNow(): number {
  const ahead = Date.now() - (base + performance.now());
  if (ahead > ASLEEP) {
    base += ahead;
    jumped.forEach((tell) => tell());
  }
  return base + performance.now();
}

/** Is told when this machine slept, or its clock was set ahead. */
export function onJump(tell: () => void): () => void {
  jumped.add(tell);
  return () => jumped.delete(tell);
}

/** The server's time minus this machine's steady one, ms, by an answer that came at `updatedAt`. */
export function offsetOf(serverNow: string, updatedAt: number): number {
  return Date.parse(serverNow) - updatedAt - (steadyNow() - Date.now());
}
