import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { MemoryRouter } from "react-router";
import { afterEach, describe, expect, it, vi } from "vitest";
import { ClientForm } from "./ClientForm";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe("a new client", () => {
  it("is shown who is called alike and was born on the same day", async () => {
    vi.stubGlobal("fetch", () =>
      Promise.resolve(
        new Response(
          JSON.stringify({
            clients: [
              { id: "1", name: "Maren Holt", dateOfBirth: "1983-09-16" },
              { id: "2", name: "Maren Aas", dateOfBirth: "1990-01-02" },
            ],
            total: 2,
          }),
          { headers: { "Content-Type": "application/json" } },
        ),
      ),
    );
    const left = vi.fn();
    render(
      <QueryClientProvider client={new QueryClient()}>
        <MemoryRouter>
          <ClientForm onClose={left} onSaved={vi.fn()} />
        </MemoryRouter>
      </QueryClientProvider>,
    );
    fireEvent.change(screen.getByLabelText(/^Name/), { target: { value: "maren" } });
    expect(screen.queryByRole("status")).toBeNull();
    fireEvent.change(screen.getByLabelText(/^Date of birth/), { target: { value: "1983-09-16" } });
    const here = await screen.findByRole("link", { name: "Maren Holt" });
    expect(screen.queryByRole("link", { name: "Maren Aas" })).toBeNull();
    fireEvent.click(here);
    expect(left).toHaveBeenCalled();
  });
});
