import { useEffect, useState } from "react";
import { steadyNow } from "./steadyNow";

/** The steady time of this machine plus an offset, ticking. */
export function useNow(offset: number, every = 200): number {
  const [now, setNow] = useState(() => steadyNow() + offset);
  useEffect(() => {
    const tick = () => setNow(steadyNow() + offset);
    tick();
    const timer = window.setInterval(tick, every);
    return () => window.clearInterval(timer);
  }, [offset, every]);
  return now;
}
