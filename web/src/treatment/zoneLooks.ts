import type { Treatment, Zone } from "../api/types";
import type { ZoneLook } from "../parts/FaceMap";

const WHITE: Record<string, string> = {
  CRYSTALS: "crystals",
  F1: "frost F1",
  F2: "frost F2",
  F3: "frost F3",
  F4: "frost F4",
};

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
    const says = [
      state.ended ? "ended" : state.reached ? "covered" : "not covered",
      state.redness > 0 ? `redness ${state.redness}` : "",
      WHITE[state.whitening] ?? "",
      state.wipeOwed ? "wipe test owed" : "",
      state.hotSpot !== undefined ? `hot spot ${state.hotSpot}` : "",
    ];
    zones[zone] = {
      redness: state.redness,
      whitening: state.whitening,
      hotSpot: state.hotSpot,
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
