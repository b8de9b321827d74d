import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render } from "@testing-library/react";
import type { ReactNode } from "react";
import { MemoryRouter } from "react-router";
import { afterEach, vi } from "vitest";

/** Answers by path; what was written is kept: method, path and body. */
export function server(answers: Record<string, unknown>): string[] {
  const asked: string[] = [];
  vi.stubGlobal("fetch", async (request: Request) => {
    const path = new URL(request.url).pathname;
    if (request.method !== "GET") {
      asked.push(`${request.method} ${path} ${await request.text()}`.trim());
    }
    return new Response(JSON.stringify(answers[path] ?? {}), {
      headers: { "Content-Type": "application/json" },
    });
  });
  return asked;
}

export function shown(children: ReactNode) {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  render(
    <QueryClientProvider client={client}>
      <MemoryRouter>{children}</MemoryRouter>
    </QueryClientProvider>,
  );
}

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});
