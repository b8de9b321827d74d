import { useEffect } from "react";

/** Keeps the screen awake, where the browser can; asked for anew when the page comes back. */
export function useWakeLock(wanted: boolean) {
  useEffect(() => {
    if (!wanted || !("wakeLock" in navigator)) return;
    let lock: WakeLockSentinel | undefined;
    let over = false;
    const ask = async () => {
      if (document.visibilityState !== "visible") return;
      try {
        const given = await navigator.wakeLock.request("screen");
        if (over) await given.release();
        else lock = given;
      } catch {
        // The browser will not; the screen sleeps as the machine is set.
      }
    };
    void ask();
    document.addEventListener("visibilitychange", ask);
    return () => {
      over = true;
      document.removeEventListener("visibilitychange", ask);
      void lock?.release();
    };
  }, [wanted]);
}
