// Core's words for its enums. Written by WordsTest; do not edit.

export const ZONES = {
  FOREHEAD: "forehead",
  GLABELLA: "glabella",
  TEMPLE_RIGHT: "right temple",
  TEMPLE_LEFT: "left temple",
  EYE_RIGHT: "right eye contour",
  EYE_LEFT: "left eye contour",
  NOSE: "nose",
  CHEEK_RIGHT: "right cheek",
  CHEEK_LEFT: "left cheek",
  UPPER_LIP: "upper lip",
  CHIN: "chin",
  JAW_RIGHT: "right jawline",
  JAW_LEFT: "left jawline",
  NECK: "neck",
  DECOLLETAGE: "decolletage",
  HAND_RIGHT: "back of the right hand",
  HAND_LEFT: "back of the left hand",
  BACK_UPPER: "upper back",
  BACK_LOWER: "lower back",
  CHEST: "chest",
  ARM_RIGHT: "right upper arm",
  ARM_LEFT: "left upper arm",
  THIGH_RIGHT: "right thigh",
  THIGH_LEFT: "left thigh",
} as const;

export const REGIONS = {
  FACE: "face",
  EYE_CONTOUR: "eye contour",
  NECK_DECOLLETAGE: "neck and decolletage",
  HANDS: "hands",
  BACK: "back",
  CHEST: "chest",
  UPPER_ARMS: "upper arms",
  THIGHS: "thighs",
} as const;

export const CONDITIONS = {
  COMEDONES: "comedones",
  INFLAMED_SPOTS: "inflamed spots",
  SCARS_SHALLOW: "rolling scars, shallow",
  SCARS_BOXCAR: "boxcar scars",
  SCARS_ICEPICK: "icepick scars",
  PIH: "marks after spots (PIH)",
  MELASMA: "melasma",
  MELASMA_EPIDERMAL: "melasma, epidermal",
  MELASMA_MIXED: "melasma, mixed",
  MELASMA_DERMAL: "melasma, dermal",
  SUN_DAMAGE: "sun spots",
  FINE_LINES: "fine lines",
  DULLNESS: "dull",
  ROUGHNESS: "rough",
  PORES: "enlarged pores",
  ROSACEA_PAPULES: "rosacea with papules",
  ROSACEA_FLUSHING: "rosacea, flushing",
  DRYNESS: "dry",
  KERATOSIS_PILARIS: "keratosis pilaris",
  WRINKLES_DEEP: "deeper wrinkles",
} as const;

export const LOOK_FINDINGS = {
  FLAKING: "flaking",
  SHINE: "shine",
  MAKE_UP: "make-up",
  IRRITATION: "irritation",
  OPEN_SPOTS: "open spots",
  PORES: "pores",
  COMEDONES: "comedones",
  TEXTURE: "texture",
  PIGMENT: "pigment",
  FINE_LINES: "fine lines",
} as const;

export const OILS = {
  DRY: "dry",
  BALANCED: "balanced",
  COMBINATION: "combination",
  OILY: "oily",
} as const;

export const HYDRATIONS = {
  WELL: "well hydrated",
  DEHYDRATED: "dehydrated",
} as const;

export const CLEARINGS = {
  ASKING: "asking",
  FLAG_CLOSED: "closing the red flag in the chart, with a note",
  SETTLING: "asking again, and correcting the chart or the answer",
  WAITING: "waiting",
  REASON: "a written reason lifts it",
  CLINICIANS_REASON: "the supervising clinician's own sign-in, with a reason",
  CLEARANCE: "clearance by a named clinician",
  NOTHING_TODAY: "nothing today",
  SIGNATURE: "a signature",
  GUARDIANS_SIGNATURE: "a signature, the guardian's too",
  SIX_MONTHS: "six months",
  STOPPED_AND_SIX_MONTHS: "stopped, and six months",
  HEALED_AND_14_DAYS: "healed skin, and 14 days",
  HEALED_AND_7_DAYS: "healed, and 7 days",
  CLOSED_SKIN: "closed skin",
  CLEAR_SKIN: "clear skin",
  CALM_SKIN: "calm skin",
  BLAND_CARE: "14 days of bland care, then looked at again",
  PATCH_READ: "a read after 24 hours",
  PATCH_TEST: "a patch test, read after 24 to 48 hours",
  INHIBITOR: "14 days of an inhibitor",
  WELL_AGAIN: "being well again",
  PHYSICIAN: "a physician",
  EYE_FORMULA: "an eye formula",
  SCREEN: "Screen",
  OTHER_REGION: "another region",
  MILDER_PEELS: "milder peels",
  WIDER_LICENCE: "a wider licence",
  CLINICIAN_OPENS: "the clinician, once for the practice; the local law decides",
  POLICY: "the policy",
  BOTTLE: "a bottle in date, on the Shelf",
  FULL_SERIES: "a full series below",
  FREE_DAYS: "more days without plans",
  AFTER_THE_EVENT: "after the event",
  LONGER_APPOINTMENT: "a longer appointment",
  LESS_OF_IT: "a smaller area or fewer layers",
  ONE_STAGE: "one stage",
  WEAKER: "a weaker strength",
  LONGER_TIME: "a longer time",
  SHORTER_TIME: "a shorter time",
  FEWER_LAYERS: "fewer layers",
  OTHER_ORDER: "another order",
  ACID_BEFORE_IT: "an acid before it",
  ZONES_OF_THEIR_OWN: "zones of their own, or the policy",
  NONE: "",
} as const;

export const OUTCOMES = {
  WELL_TAKEN: "well taken",
  CUT_SHORT: "calm, cut short",
  TOO_STRONG: "too strong",
  ADVERSE: "adverse",
} as const;

export const FAMILIES = {
  PHA: "PHA",
  ENZYME: "enzyme",
  LACTIC: "lactic",
  MANDELIC: "mandelic",
  AZELAIC_MANDELIC: "azelaic-mandelic",
  GLYCOLIC: "glycolic",
  SALICYLIC: "salicylic",
  JESSNER: "Jessner",
  PYRUVIC: "pyruvic",
  TCA: "TCA",
  RESORCINOL: "resorcinol",
  LONG_WEAR: "long wear",
  SPOT: "spot",
  EYE: "eye contour",
  RETINOID: "retinoid add-on",
} as const;

export const SUBSTANCES = {
  GLYCOLIC: "glycolic",
  LACTIC: "lactic",
  MANDELIC: "mandelic",
  SALICYLIC: "salicylic",
  TCA: "trichloroacetic",
  PYRUVIC: "pyruvic",
  CITRIC: "citric",
  MALIC: "malic",
  TARTARIC: "tartaric",
  AZELAIC: "azelaic",
  GLUCONOLACTONE: "gluconolactone",
  RESORCINOL: "resorcinol",
  RETINOL: "retinol",
  FIG: "fig enzyme",
  PAPAYA: "papaya enzyme",
  PINEAPPLE: "pineapple enzyme",
  PUMPKIN: "pumpkin enzyme",
} as const;

export const DEPTHS = {
  VERY_SUPERFICIAL: "very superficial",
  SUPERFICIAL: "superficial",
  MEDIUM: "medium",
} as const;

export const READY_STEPS = {
  CHANGED: "what changed",
  CONSENT: "consent",
  GUARDIAN: "guardian",
  PHOTOS: "photo before",
  BRIEFING: "briefing",
  LOOK_1: "look 1",
  HAIR_LENSES_GLOVES: "hair, lenses, gloves",
  CLEANSE: "cleanse, twice",
  LOOK_2: "look 2, lamp",
  PREP: "prep wipe",
  BASELINE: "redness baseline",
  GATE_A: "answer to the prep",
  BARRIER: "barrier",
  EYES: "eyes",
  CLINICIAN: "clinician present",
  IN_REACH: "in reach",
  FAN_TISSUE: "fan and tissue",
} as const;

export const GATE_CHOICES = {
  KEEP: "kept",
  SHORTEN: "shortened",
  UNDER_BARRIER: "spots under barrier",
  LOWER_RUNG: "lower rung",
  OTHER_FORMULA: "another formula",
  STOP: "stopped",
} as const;

export const COMFORTS = {
  CLOSED_IN: "closed-in feeling",
  DREADS_COLD: "dreads cold",
  NECK_OR_BACK: "neck or back",
  BRIGHT_LIGHT: "bright light",
  HAND_SIGNS: "hand signs for the number",
} as const;

export const LANGUAGES = {
  EN: "English",
  ES: "español",
  FR: "français",
  DE: "Deutsch",
  PT: "português",
} as const;

export const COMPLAINTS = {
  FACE_SWELLING: "swelling of the face",
  BREATHING: "trouble with breath",
  VISION: "trouble with sight",
  EYE_PAIN: "pain in an eye",
  RINGING_EARS: "ringing ears",
  NAUSEA: "nausea",
  FAST_BREATHING: "fast breathing",
  SPREADING_PAIN: "pain that spreads",
  HONEY_CRUST: "a crust, yellow like honey",
  FEVER: "fever",
  GROUPED_BLISTERS: "small blisters in a group",
  TINGLING_LIP: "a tingling lip",
  BLISTER: "a blister",
  WEEPING: "wet, weeping skin",
  GREY_SKIN: "grey skin",
  SEVERE_ITCH: "severe itch",
  RASH: "a rash",
  ITCH: "some itch",
  DARK_PATCHES: "dark patches",
} as const;

export const EDGES = {
  ABOVE_THE_JAW: "fades above the jaw",
  HIGH_ON_THE_NECK: "fades high on the neck",
  BELOW_THE_JAW: "fades below the jaw",
  UPPER_NECK: "what is left goes onto the upper neck, and fades there",
} as const;

export const SIGNS = {
  FAINT: "faint",
  BREATHLESS: "breathless",
  PALPITATION: "palpitation",
  RINGING_EARS: "ringing ears",
  WHEALS_BEYOND: "wheals beyond the area",
  SWELLING_MOUTH: "lip, tongue or throat swelling",
  EYE: "product in the eye",
  BLISTER: "blister",
  SWELLING: "local swelling",
  WHEALS: "wheals",
  DEEP_FROST: "frost beyond any endpoint",
  ASKS_TO_STOP: "client asks to stop",
} as const;

export const SIGN_WEIGHTS = {
  FAINT: "EMERGENCY",
  BREATHLESS: "EMERGENCY",
  PALPITATION: "EMERGENCY",
  RINGING_EARS: "EMERGENCY",
  WHEALS_BEYOND: "EMERGENCY",
  SWELLING_MOUTH: "EMERGENCY",
  EYE: "EYE",
  BLISTER: "INJURY",
  SWELLING: "INJURY",
  WHEALS: "INJURY",
  DEEP_FROST: "INJURY",
  ASKS_TO_STOP: "WISH",
} as const;

export const ALARM_LINES = {
  EMERGENCY: "Emergency: call now",
  EYE: "Rinse the eye now",
  INJURY: "Incident: cool, call",
  WISH: "End",
} as const;

export const ALARM_STEPS_OF = {
  EMERGENCY: [
    "CALL",
    "LIE_FLAT",
    "ADRENALINE",
    "CARE_OFF",
    "WASH_OFF",
    "DO_NOT_LEAVE",
    "POISON_CENTRE",
  ],
  EYE: [
    "RINSE_EYE",
    "LENSES_OUT",
    "NO_NEUTRALISER_IN_EYE",
    "ACID_OFF_BY_ANOTHER",
    "EMERGENCY_CARE",
  ],
  INJURY: ["TAKE_OFF", "ADD_ON_OFF", "CARE_OFF", "COOL", "WRITE_DOWN", "CALL_CLINICIAN"],
  WISH: [],
} as const;

export const ALARM_FIRST = {
  EMERGENCY: ["CALL", "LIE_FLAT"],
  EYE: ["EMERGENCY_CARE"],
  INJURY: [],
  WISH: [],
} as const;

export const ALARM_STEPS = {
  CALL: "Call the emergency number",
  LIE_FLAT: "Lie flat, legs up; sit if breathless",
  ADRENALINE: "The client's own adrenaline, if there is one",
  WASH_OFF: "Wash the product off",
  DO_NOT_LEAVE: "Do not leave",
  POISON_CENTRE: "Ringing ears, nausea, fast breathing after salicylic: poison centre too",
  RINSE_EYE: "Lids held open: water or saline, nose outward",
  LENSES_OUT: "Lenses out",
  NO_NEUTRALISER_IN_EYE: "No neutraliser in the eye",
  ACID_OFF_BY_ANOTHER: "Someone takes the acid off the skin",
  EMERGENCY_CARE: "Go on to emergency care, even if it feels well",
  TAKE_OFF: "Take the acid off, as its ending says",
  ADD_ON_OFF: "Wipe the add-on off",
  CARE_OFF: "Take the mask or product off, mouth and nose first",
  COOL: "Cool with wet compresses, no ice",
  WRITE_DOWN: "Write the incident down",
  CALL_CLINICIAN: "Call the supervising clinician",
} as const;

export const WHITENING = {
  NONE: "none",
  CRYSTALS: "crystals",
  F1: "F1",
  F2: "F2",
  F3: "F3",
  F4: "F4",
} as const;

export const WHITENING_LOOKS = {
  NONE: "no white",
  CRYSTALS: "powdery, wipes off",
  F1: "speckled or thin on pink",
  F2: "even white, pink shows through",
  F3: "solid white",
  F4: "grey or yellowish",
} as const;

export const REDNESS = ["none", "pink", "red, even", "deep red or patchy"] as const;

export const QUALITIES = {
  COOL: "cool",
  TIGHT: "tight",
  TINGLE: "tingle",
  HOT: "hot",
  STING: "sting",
  ITCH: "itch",
  THROB: "throb",
  NUMB: "numb",
  STICKY: "sticky",
} as const;

export const RESPONSES = {
  AWAKE: "awake",
  ASLEEP: "asleep",
  NUMBED: "numbed",
} as const;

export const CLIENT_CUES = {
  COLD_NOW: "cold now",
  TWO_MINUTES_LEFT: "two minutes left",
  COMES_OFF: "it comes off now",
} as const;

export const ENDING_STEPS = {
  SAY_STING: "Say it first: a short sting is normal",
  BLOT: "Blot the excess",
  NEUTRALISE: "Neutraliser on hot spots first, then in the order applied, from each zone's edge",
  REPEAT_TO_NO_FIZZ: "Repeat until no fizz",
  RINSE_COOL: "Rinse cool",
  LIFT_GEL: "Lift the gel with dry gauze, light strokes away from centre and eyes",
  NEUTRALISE_LIFTED: "Neutraliser on hot spots first, then in the order applied",
  PRESS_HOT_SPOTS: "Press hot spots again, repeat until no fizz",
  WIPE_PASTE: "Wipe the paste off with dry gauze",
  COOL_RINSE: "Cool rinse, a clean face of the pad for each stroke",
  FAN: "Fan until it falls",
  PADS_FROM_THE_NOSE: "Lids stay closed: cool damp pads, outwards from the nose",
  FRESH_PADS: "A fresh pad each stroke",
  COOL_WATER: "Cool water, a clean face of the pad for each stroke",
  PAT_DRY: "Pat dry",
  COMPRESS: "Cool wet compress over all of it, one minute",
  LIFT_WITH_COMPRESS: "Lift with the compress, a clean face of it for each stroke",
  WIPE_THEN_RINSE: "Wipe, then cool rinse with mild cleanser",
  FAN_AND_COMPRESS: "Fan, cool wet compress",
  SAY_IT_RUNS_ITS_COURSE: "What has been absorbed runs its course: say so",
  LEAVE_AS_IT_IS: "Leave it as it is; loose crystals may be dusted off",
  COLD_COMPRESSES: "Cold wet compresses, changed often; no ice on skin",
  SAY_IT_UNDOES_NOTHING: "They dilute what is left and undo nothing: say so",
} as const;

export const STEP_KINDS = {
  LOOK: "look",
  REMOVE: "remove",
  CLEANSE: "cleanse",
  PREP: "prep",
  GUARD: "guard",
  ACID: "acid",
  ENDING: "ending",
  REST: "rest",
  TOOL: "tool",
  MASK: "mask",
  PRODUCT: "product",
  SUNSCREEN: "sunscreen",
  LEAVING_CHECK: "leaving check",
} as const;

export const STEP_GATES = {
  A: "gate A",
  B: "gate B",
  C: "gate C",
} as const;

export const SEVERITIES = {
  NOTE: "note",
  MIND: "mind",
  SHUT: "shut",
} as const;

export const PACK_FAULTS = {
  EMPTY: "not in stock",
  OUT_OF_DATE: "out of date",
  OPEN_TOO_LONG: "open too long",
} as const;

export const SILENT = [
  "AdviceTaken",
  "AlarmStepDone",
  "AlarmStepSkipped",
  "EdgeSeen",
  "FanTurned",
  "HandedOver",
  "IncidentReported",
  "NoteWritten",
  "QualityTold",
  "WorkedIn",
] as const;
