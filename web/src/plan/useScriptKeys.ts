import { useEffect, useMemo } from "react";
import type { Run } from "../api/types";
import { isTyping } from "../parts/keys";
import { type KeyBinding, useKeys } from "../parts/useKeys";
import type { Change } from "./script";

/** The keys of a script: up and down its lines, add, move, double, take out, take back. */
export function useScriptKeys({
  runs,
  at,
  picked,
  setPicked,
  change,
  onAdd,
  onHelp,
  off,
}: {
  runs: Run[];
  at: number;
  picked: number;
  setPicked: (line: number) => void;
  change: (change: Change) => void;
  onAdd: () => void;
  onHelp: () => void;
  off?: boolean;
}): KeyBinding[] {
  const last = (runs[at]?.steps.length ?? 0) - 1;
  const table = useMemo<KeyBinding[]>(() => {
    if (off) return [];
    const go = (to: number) => setPicked(Math.max(0, Math.min(last, to)));
    return [
      { on: "/", says: "add a line after this one", does: onAdd },
      { on: "ArrowDown", says: "next line", does: () => go(picked + 1) },
      { on: "ArrowUp", says: "line before", does: () => go(picked - 1) },
      {
        on: "d",
        says: "the line twice",
        does: () => {
          if (picked < 0) return;
          change({ type: "duplicate", run: at, at: picked });
          setPicked(picked + 1);
        },
      },
      {
        on: "Delete",
        says: "take the line out",
        does: () => {
          if (picked < 0) return;
          change({ type: "remove", run: at, at: picked });
          setPicked(Math.min(picked, last - 1));
        },
      },
      { on: "?", says: "these keys", does: onHelp },
    ];
  }, [off, last, picked, at, setPicked, change, onAdd, onHelp]);
  useKeys(table, true);

  // Alt+arrows move the line, Ctrl+Z takes the last change back; both with a key held.
  useEffect(() => {
    if (off) return;
    function pressed(event: KeyboardEvent) {
      if (event.altKey && (event.key === "ArrowUp" || event.key === "ArrowDown")) {
        const by = event.key === "ArrowUp" ? -1 : 1;
        if (picked < 0 || picked + by < 0 || picked + by > last) return;
        event.preventDefault();
        change({ type: "move", run: at, at: picked, by });
        setPicked(picked + by);
      } else if (
        (event.ctrlKey || event.metaKey) &&
        event.key.toLowerCase() === "z" &&
        !isTyping(event)
      ) {
        event.preventDefault();
        change({ type: "undo" });
      }
    }
    window.addEventListener("keydown", pressed);
    return () => window.removeEventListener("keydown", pressed);
  }, [off, picked, last, at, change, setPicked]);

  return useMemo(
    () => [
      ...table,
      { on: "Alt ↑ ↓", says: "move the line", does: () => undefined },
      { on: "Ctrl Z", says: "take the last change back", does: () => undefined },
    ],
    [table],
  );
}
