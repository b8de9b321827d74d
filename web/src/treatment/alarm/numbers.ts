import { queryOptions } from "@tanstack/react-query";
import { api, body } from "../../api/client";
import type { Numbers } from "../../api/types";
import { keys } from "../../api/keys";

/** Kept on this machine too: an alarm must show them without a server. */
const KEPT = "ivesk.numbers";

export const numbersQuery = queryOptions({
  queryKey: keys.numbers,
  queryFn: async () => {
    const numbers = body(await api.GET("/api/practice/numbers"));
    window.localStorage.setItem(KEPT, JSON.stringify(numbers));
    return numbers;
  },
  placeholderData: () => {
    const kept = window.localStorage.getItem(KEPT);
    return kept ? (JSON.parse(kept) as Numbers) : undefined;
  },
  staleTime: 60_000,
});
