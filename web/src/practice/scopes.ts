import type { Person } from "../api/types";

type Scope = NonNullable<Person["scope"]>;

/** What a licence covers, in words. */
export const SCOPES: { id: Scope; label: string }[] = [
  { id: "VERY_SUPERFICIAL", label: "very superficial" },
  { id: "SUPERFICIAL", label: "very superficial and superficial" },
  { id: "MEDIUM_SUPERVISED", label: "medium too, under supervision" },
];
