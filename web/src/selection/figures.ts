import type { Tile } from "../api/types";
import { clock, decimal, plural } from "../parts/words";

/** "3:00", "2 layers" or "6 h": how long or how often a formula is put on today. */
export function howLong(tile: Tile): string {
  if (tile.staysHours !== undefined) return `${tile.staysHours} h`;
  return tile.contactSeconds !== undefined
    ? clock(tile.contactSeconds * 1000)
    : plural(tile.layers, "layer");
}

/** "0–2", or "0" where none is expected. */
export function flaking(days: { peelingFirst: number; peelingLast: number }): string {
  return days.peelingLast === 0 ? "0" : `${days.peelingFirst}–${days.peelingLast}`;
}

export function freeAcid(tile: Tile): { value: string; words: string } {
  return tile.ph === undefined
    ? { value: "–", words: "free acid: no water, no pH" }
    : {
        value: decimal(tile.freeAcidPercent, 1),
        words: `free acid % at pH ${decimal(tile.ph, 1)}`,
      };
}
