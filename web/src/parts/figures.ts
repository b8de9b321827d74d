import type { Zone } from "../api/types";
import { CENTRES as FACE_CENTRES, FACE_PATHS, FEATURES, OUTLINE } from "./faceZones";

/** A drawing with the zones that are on it. */
export interface Figure {
  viewBox: string;
  /** Where "right" and "left" stand: x of each, and y. */
  sides: [number, number, number];
  outlines: string[];
  features: string[];
  paths: Partial<Record<Zone, string>>;
  centres: Partial<Record<Zone, [number, number]>>;
}

export type FigureId = "FACE" | "NECK" | "HANDS" | "FRONT" | "BACK";

const FACE: Figure = {
  viewBox: "24 20 312 446",
  sides: [34, 326, 40],
  outlines: [OUTLINE],
  features: FEATURES,
  paths: FACE_PATHS,
  centres: FACE_CENTRES,
};

/** The back of the client's right hand, which lies at our left; the other is its mirror. */
const HAND =
  "M 62 250 L 58 196 C 44 178 34 160 26 138 C 20 122 34 112 44 126 L 62 152 L 58 74 C 57 56 76 56 78 74 L 82 128 L 86 56 C 87 38 106 38 106 56 L 106 128 L 114 66 C 117 50 134 54 132 70 L 126 134 L 140 92 C 146 78 162 84 157 99 L 140 170 C 138 196 132 214 130 250 Z";
function mirrored(path: string, width: number): string {
  // Every command here takes plain x y pairs, so that each first number is an x.
  let isX = true;
  return path.replace(/-?\d+(\.\d+)?|[A-Z]/g, (token) => {
    if (/[A-Z]/.test(token)) {
      isX = true;
      return token;
    }
    const value = isX ? String(width - Number(token)) : token;
    isX = !isX;
    return value;
  });
}

const HANDS: Figure = {
  viewBox: "0 20 400 240",
  sides: [10, 390, 38],
  outlines: [],
  features: [],
  paths: { HAND_RIGHT: HAND, HAND_LEFT: mirrored(HAND, 400) },
  centres: { HAND_RIGHT: [95, 180], HAND_LEFT: [305, 180] },
};

const ARM =
  "M 84 108 C 70 112 62 126 60 146 L 54 204 C 54 214 78 216 82 206 L 92 150 C 92 134 90 120 84 108 Z";
const THIGH =
  "M 108 282 C 100 310 102 350 112 392 C 122 398 146 398 154 392 C 160 356 164 330 165 300 Z";
const BODY =
  "M 152 66 C 150 78 148 82 140 86 L 104 98 C 78 104 62 116 58 146 L 50 214 L 44 268 C 42 284 58 288 62 274 L 82 208 L 94 158 C 98 182 104 200 106 220 C 100 244 96 268 98 300 L 112 400 L 118 452 L 152 452 L 160 396 L 166 310 L 170 300 L 174 310 L 180 396 L 188 452 L 222 452 L 228 400 L 242 300 C 244 268 240 244 234 220 C 236 200 242 182 246 158 L 258 208 L 278 274 C 282 288 298 284 296 268 L 290 214 L 282 146 C 278 116 262 104 236 98 L 200 86 C 192 82 190 78 188 66";
const HEAD =
  "M 146 42 C 146 22 156 12 170 12 C 184 12 194 22 194 42 C 194 60 184 76 170 76 C 156 76 146 60 146 42 Z";

const FRONT: Figure = {
  viewBox: "20 4 300 456",
  sides: [26, 314, 24],
  outlines: [BODY, HEAD],
  features: [],
  paths: {
    CHEST:
      "M 110 104 C 130 96 148 100 170 104 C 192 100 210 96 230 104 C 244 120 244 148 236 172 C 214 186 190 180 170 176 C 150 180 126 186 104 172 C 96 148 96 120 110 104 Z",
    ARM_RIGHT: ARM,
    ARM_LEFT: mirrored(ARM, 340),
    THIGH_RIGHT: THIGH,
    THIGH_LEFT: mirrored(THIGH, 340),
  },
  centres: {
    CHEST: [170, 144],
    ARM_RIGHT: [74, 164],
    ARM_LEFT: [266, 164],
    THIGH_RIGHT: [132, 344],
    THIGH_LEFT: [208, 344],
  },
};

/** Seen from behind, so that the client's left is at our left. */
const BACK: Figure = {
  viewBox: "20 4 300 456",
  sides: [314, 26, 24],
  outlines: [BODY, HEAD],
  features: ["M 170 100 L 170 258"],
  paths: {
    BACK_UPPER:
      "M 110 104 C 130 96 150 94 170 94 C 190 94 210 96 230 104 C 246 122 244 152 238 182 L 102 182 C 96 152 94 122 110 104 Z",
    BACK_LOWER:
      "M 103 188 L 237 188 C 232 210 230 230 236 252 C 216 264 192 262 170 262 C 148 262 124 264 104 252 C 110 230 108 210 103 188 Z",
  },
  centres: { BACK_UPPER: [170, 146], BACK_LOWER: [170, 228] },
};

export const FIGURES: Record<FigureId, Figure> = {
  FACE,
  NECK: { ...FACE, viewBox: "24 322 312 146", sides: [34, 326, 342] },
  HANDS,
  FRONT,
  BACK,
};

export const FIGURE_LABELS: Record<FigureId, string> = {
  FACE: "face",
  NECK: "neck",
  HANDS: "hands",
  FRONT: "body",
  BACK: "back",
};

/** The drawing that shows a zone best. */
export function figureOf(zone: Zone | undefined): FigureId {
  if (zone === "NECK" || zone === "DECOLLETAGE") return "NECK";
  const found = (["FACE", "HANDS", "FRONT", "BACK"] as const).find(
    (id) => zone && FIGURES[id].paths[zone],
  );
  return found ?? "FACE";
}
