import { plural } from "./words";

/** Kinds of records by the name of their table: one, and many. */
const RECORDS: Record<string, [string, string?]> = {
  account: ["name of somebody who works", "names of who works"],
  addendum: ["addendum", "addenda"],
  after_peel: ["peel that is followed", "peels that are followed"],
  allergies: ["allergy told", "allergies told"],
  care_lot: ["pack"],
  care_product: ["care product"],
  chart_merge: ["joined chart"],
  check_in: ["check-in"],
  check_in_try: ["try to reach somebody", "tries to reach somebody"],
  client: ["client"],
  closed_day: ["closed day"],
  consent: ["consent"],
  consult: ["consult"],
  course: ["course"],
  course_peel: ["peel of a course", "peels of courses"],
  erasure_request: ["wish to be erased", "wishes to be erased"],
  flakes_told: ["day of flakes told", "days of flakes told"],
  home_plan_item: ["item of a home plan", "items of home plans"],
  lot: ["bottle"],
  merged_row: ["row that came over", "rows that came over"],
  outbox: ["message"],
  outside_peel: ["peel done elsewhere", "peels done elsewhere"],
  patch_test: ["patch test"],
  patch_test_read: ["reading of a patch test", "readings of patch tests"],
  plan_sooner: ["zone off sooner", "zones off sooner"],
  plan_stage: ["stage of a plan", "stages of plans"],
  plan_zone: ["zone of a plan", "zones of plans"],
  prep_told: ["prep told", "preps told"],
  product: ["product"],
  product_kind: ["kind of home product", "kinds of home products"],
  protocol: ["protocol"],
  red_flag: ["red flag"],
  score_sheet: ["day of scores", "days of scores"],
  screening_answer: ["answer of a screening", "answers of screenings"],
  settlement: ["override or clearance", "overrides and clearances"],
  signature: ["signature"],
  treatment: ["treatment"],
  treatment_event: ["entry of a session log", "entries of session logs"],
  trolley_tick: ["tick on a trolley", "ticks on trolleys"],
  visit: ["visit"],
  visit_plan: ["plan"],
  visit_script: ["visit's steps", "visits' steps"],
  waiting: ["place on the waiting list", "places on the waiting list"],
};

/** So many rows of a table, in words. */
export function records(table: string, n: number): string {
  const [one, many] = RECORDS[table] ?? [`row of ${table}`, `rows of ${table}`];
  return plural(n, one, many);
}
