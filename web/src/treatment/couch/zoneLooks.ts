import { WHITENING } from "../../api/enumWords";
import type { Treatment, Whitening, Zone } from "../../api/types";
import type { ZoneLook } from "../../parts/FaceMap";
import { clock } from "../../parts/words";

/** What each planned zone shows, and which is next while a layer is being spread. */
export function zoneLooks(
  treatment: Treatment,
  chosen: Zone[],
): { zones: Partial<Record<Zone, ZoneLook>>; next: Zone[] } {
  const zones: Partial<Record<Zone, ZoneLook>> = {};
  const next = nextZones(treatment);
  for (const zone of treatment.plan.zones) {
    const state = treatment.zones[zone];
    if (!state) continue;
    const sooner = treatment.plan.earlierSeconds[zone];
    const says = [
      state.ended ? "ended" : state.reached ? "covered" : "not covered",
      state.redness > 0 ? `redness ${state.redness}` : "",
      whiteWords(state.whitening),
      state.wipeOwed ? "wipe test owed" : "",
      state.hotSpot !== undefined ? `hot spot ${state.hotSpot}` : "",
      sooner !== undefined ? `comes off at ${clock(sooner * 1000)}` : "",
    ];
    zones[zone] = {
      redness: state.redness,
      whitening: state.whitening,
      hotSpot: state.hotSpot,
      text: sooner === undefined || state.ended ? undefined : clock(sooner * 1000),
      covered: state.reached,
      ended: state.ended,
      next: zone === next[0],
      chosen: chosen.includes(zone),
      says: says.filter(Boolean).join(", "),
    };
  }
  return { zones, next };
}

function nextZones(treatment: Treatment): Zone[] {
  const layer = treatment.layers.at(-1);
  if (!layer) return treatment.plan.zones;
  if (layer.coveredAt) return [];
  return layer.zones.filter((zone) => !treatment.zones[zone]?.reached);
}

function whiteWords(whitening: Whitening): string {
  if (whitening === "NONE") return "";
  return whitening === "CRYSTALS" ? WHITENING.CRYSTALS : `frost ${WHITENING[whitening]}`;
}
