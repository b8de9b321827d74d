import { useEffect, useState } from "react";

/** The time on this machine plus an offset, ticking. */
export function useNow(offset: number, every = 200): number {
  const [now, setNow] = useState(() => Date.now() + offset);
  useEffect(() => {
    const tick = () => setNow(Date.now() + offset);
    tick();
    const timer = window.setInterval(tick, every);
    return () => window.clearInterval(timer);
  }, [offset, every]);
  return now;
}
