import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, fireEvent, render, screen, waitFor } from "@testing-library/react";
import { MemoryRouter } from "react-router";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { SignOut } from "./SignOut";

const left: string[] = [];
beforeEach(() => {
  left.length = 0;
  vi.stubGlobal("fetch", (request: Request | string) => {
    left.push(typeof request === "string" ? request : new URL(request.url).pathname);
    return Promise.resolve(new Response("{}", { status: 200 }));
  });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

function signedIn(name: string, therapist: string, phase: string) {
  const client = new QueryClient({ defaultOptions: { queries: { staleTime: Infinity } } });
  client.setQueryData(["session"], { account: { name }, zone: "UTC" });
  client.setQueryData(["today"], {
    visits: [
      {
        id: "v",
        clientName: "Maren Holt",
        room: "room 1",
        here: "TREAT",
        therapist,
        running: { phase },
      },
    ],
  });
  render(
    <QueryClientProvider client={client}>
      <MemoryRouter>
        <SignOut />
      </MemoryRouter>
    </QueryClientProvider>,
  );
  fireEvent.click(screen.getByText("Sign out"));
}

describe("signing out", () => {
  it("asks while acid of one's own is on", async () => {
    signedIn("Ines Kov", "Ines Kov", "ACID");
    expect(screen.getByText("Acid is on Maren")).toBeTruthy();
    expect(left).toEqual([]);
    fireEvent.click(screen.getByText("Sign out all the same"));
    await waitFor(() => expect(left).toContain("/api/sign-out"));
  });

  it.each([
    ["Rolf Arnesen", "ACID"],
    ["Ines Kov", "AT_REST"],
  ])("asks nothing over the peel of %s in %s", async (therapist, phase) => {
    signedIn("Ines Kov", therapist, phase);
    expect(screen.queryByText(/Acid is on/)).toBeNull();
    await waitFor(() => expect(left).toContain("/api/sign-out"));
  });
});
