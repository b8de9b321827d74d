import { QueryClient, useQueryClient } from "@tanstack/react-query";
import createClient, { type Middleware } from "openapi-fetch";
import type { paths } from "./schema";
import { keys, type VisitPart } from "./keys";

/** One field of bad input, and what is wrong with it. */
export interface FieldFault {
  field: string;
  detail: string;
}

/** What the server says when it will not: RFC 9457, said as it came. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    detail: string,
    readonly fields: FieldFault[] = [],
  ) {
    super(detail);
  }
}

/** The server could not be reached; nothing was decided. */
export class NoServer extends Error {
  constructor() {
    super("The server does not answer. What you entered is kept here; it is sent when it is back.");
  }
}

function cookie(name: string): string | undefined {
  const found = document.cookie.split("; ").find((pair) => pair.startsWith(name + "="));
  return found && decodeURIComponent(found.slice(name.length + 1));
}

/** Headers of a write: the token that the server keeps in a cookie for this page. */
export function csrf(): Record<string, string> {
  const token = cookie("XSRF-TOKEN");
  return token ? { "X-XSRF-TOKEN": token } : {};
}

const guard: Middleware = {
  onRequest({ request }) {
    if (request.method !== "GET") {
      for (const [name, value] of Object.entries(csrf())) request.headers.set(name, value);
    }
    return request;
  },
  async onResponse({ response }) {
    if (response.ok) return;
    // Who is signed in is asked anew; what is on the screen stays.
    if (response.status === 401) void queryClient.invalidateQueries({ queryKey: keys.session });
    const body = (await response.json().catch(() => ({}))) as {
      detail?: string;
      fields?: FieldFault[];
    };
    throw new Problem(
      response.status,
      body.detail ?? `The server answered ${response.status}.`,
      body.fields,
    );
  },
  onError() {
    return new NoServer();
  },
};

export const api = createClient<paths>({
  baseUrl: window.location.origin,
  fetch: (request) => globalThis.fetch(request),
});
api.use(guard);

/** Takes the body of an answer that the guard let through. */
export function body<T>(answer: { data?: T }): T {
  return answer.data as T;
}

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      retry: (failures, error) => error instanceof NoServer && failures < 20,
      retryDelay: (failures) => Math.min(1500 * 2 ** failures, 15_000),
      networkMode: "always",
    },
    mutations: { networkMode: "always" },
  },
});

/**
 * After a write on a visit everything that is computed from it is asked anew, but for the part that
 * the write itself has answered.
 */
export function useVisitChanged(visitId: string) {
  const queries = useQueryClient();
  return (answered?: VisitPart) =>
    queries.invalidateQueries({
      queryKey: keys.visit(visitId),
      predicate: ({ queryKey }) => answered === undefined || queryKey[2] !== answered,
    });
}
