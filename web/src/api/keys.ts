// The keys that answers are kept under. What a write asks anew is named by the same function as
// what was asked, and a wider key takes all that begins with it.

/** What is computed of a visit, each with an answer of its own. */
export type VisitPart =
  | "addenda"
  | "after"
  | "answers"
  | "consult"
  | "contact"
  | "flakes"
  | "given"
  | "plan"
  | "prep-sheet"
  | "region"
  | "screening"
  | "selection";

type ClientPart = "courses" | "erasure" | "joined" | "placing" | "progress" | "visits";
type TreatmentPart = "gate-a" | "summary" | "why";

export const keys = {
  audit: (id: string) => ["audit", id] as const,
  bench: (...of: unknown[]) => ["bench", ...of] as const,
  checkIns: ["check-ins"] as const,
  clients: ["clients"] as const,
  clientsFound: (...by: unknown[]) => ["clients", "found", ...by] as const,
  clientsListed: (...by: unknown[]) => ["clients", "listed", ...by] as const,
  client: (id: string) => ["clients", id] as const,
  clientPart: (id: string, part: ClientPart, ...of: unknown[]) =>
    ["clients", id, part, ...of] as const,
  consent: (id: string) => ["consent", id] as const,
  ita: (colour: unknown) => ["ita", colour] as const,
  decisionTable: ["decision-table"] as const,
  health: ["health"] as const,
  judged: (...of: unknown[]) => ["judged", ...of] as const,
  numbers: ["numbers"] as const,
  outbox: ["outbox"] as const,
  pastTime: ["past-time"] as const,
  people: ["people"] as const,
  policies: ["policies"] as const,
  practice: ["practice"] as const,
  productKinds: ["product-kinds"] as const,
  products: ["products"] as const,
  protocols: ["protocols"] as const,
  protocol: (id: string, ...version: number[]) => ["protocols", id, ...version] as const,
  scores: (sheet: unknown) => ["scores", sheet] as const,
  scriptWords: ["script-words"] as const,
  self: ["self"] as const,
  session: ["session"] as const,
  shelf: ["shelf"] as const,
  today: ["today"] as const,
  todayOf: (day: string) => ["today", day] as const,
  treatment: (id: string) => ["treatment", id] as const,
  treatmentPart: (id: string, part: TreatmentPart, ...of: unknown[]) =>
    ["treatment", id, part, ...of] as const,
  visits: ["visit"] as const,
  visit: (id: string) => ["visit", id] as const,
  visitPart: (id: string, part: VisitPart, ...of: unknown[]) => ["visit", id, part, ...of] as const,
  waiting: ["waiting"] as const,
  words: (of: "check-in" | "consent" | "consult" | "scores" | "screening") =>
    ["words", of] as const,
};
