import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { act, fireEvent, render, renderHook, screen, waitFor } from "@testing-library/react";
import type { ReactNode } from "react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { ConsultPart } from "./ConsultPart";
import { Products } from "./Products";
import { useConsult } from "./useConsult";

/** A server that keeps one consult, refuses long notes, and counts versions as the real one does. */
function server() {
  const kept = { consult: { notes: "", goals: [] as string[] }, version: 0, writes: 0 };
  const answer = (status: number, body: unknown) =>
    Promise.resolve(
      new Response(JSON.stringify(body), {
        status,
        headers: { "Content-Type": "application/json" },
      }),
    );
  const handle = async (request: Request) => {
    if (request.method === "GET") return answer(200, kept);
    const sent = (await request.json()) as typeof kept;
    kept.writes++;
    if (sent.version !== kept.version) return answer(409, { detail: "changed on another screen" });
    if (sent.consult.notes.length > 20) {
      return answer(400, { detail: "Notes has 30 letters; allowed are 20." });
    }
    kept.consult = sent.consult;
    kept.version++;
    return answer(200, kept);
  };
  return { kept, handle };
}

let stub: ReturnType<typeof server>;

beforeEach(() => {
  stub = server();
  vi.stubGlobal("fetch", (request: Request) => stub.handle(request));
});
afterEach(() => vi.unstubAllGlobals());

async function opened() {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
  const hook = renderHook(() => useConsult("v1"), { wrapper });
  await waitFor(() => expect(hook.result.current.consult).toBeDefined());
  return hook;
}

describe("a consult saved as it is given", () => {
  it("shows a change at once and sends one after the other", async () => {
    const { result } = await opened();
    act(() => {
      result.current.change({ notes: "fan" });
      result.current.change({ goals: ["PIH"] });
    });
    expect(result.current.consult?.notes).toBe("fan");
    expect(result.current.consult?.goals).toEqual(["PIH"]);
    await waitFor(() => expect(stub.kept.version).toBe(2));
    expect(stub.kept.consult).toEqual({ notes: "fan", goals: ["PIH"] });
  });

  it("takes back alone what the server will not have, and goes on with the rest", async () => {
    const { result } = await opened();
    const refused = vi.fn();
    act(() => {
      result.current.submit({ notes: "x".repeat(30) }).catch(refused);
      result.current.change({ goals: ["MELASMA"] });
    });
    await waitFor(() => expect(refused).toHaveBeenCalled());
    expect((refused.mock.calls[0]?.[0] as Error).message).toContain("allowed are 20");
    await waitFor(() => expect(stub.kept.consult.goals).toEqual(["MELASMA"]));
    expect(stub.kept.consult.notes).toBe("");
    expect(result.current.consult?.notes).toBe("");
  });

  it("keeps a change that met a newer version until it is read anew, then sends it on top", async () => {
    const { result } = await opened();
    stub.kept.version = 5;
    stub.kept.consult = { notes: "from the other screen", goals: [] };
    act(() => result.current.change({ goals: ["PORES"] }));
    await waitFor(() => expect(result.current.error).toBeTruthy());
    expect(result.current.consult?.goals).toEqual(["PORES"]);
    expect(stub.kept.consult.goals).toEqual([]);
    stub.kept.consult.notes = "short";
    await act(() => result.current.reload());
    await waitFor(() => expect(stub.kept.consult).toEqual({ notes: "short", goals: ["PORES"] }));
  });
});

describe("a home product", () => {
  it("is kept only once it is said what it contains", async () => {
    const submit = vi.fn().mockResolvedValue(undefined);
    const part = {
      words: { actives: [{ id: "RETINOL", label: "retinol" }] },
      consult: { products: [] },
      submit,
    } as unknown as ConsultPart;
    const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
    client.setQueryData(
      ["product-kinds"],
      [{ id: "k", name: "Night cream", actives: ["RETINOL"] }],
    );
    render(
      <QueryClientProvider client={client}>
        <Products {...part} />
      </QueryClientProvider>,
    );
    fireEvent.click(screen.getByText("Add a home product"));
    const name = screen.getByLabelText(/Product, or its kind/);
    const keep = screen.getByText("Keep product");
    fireEvent.change(name, { target: { value: "something from a market" } });
    expect(keep).toHaveProperty("disabled", true);
    fireEvent.click(screen.getByText("none of these"));
    expect(keep).toHaveProperty("disabled", false);
    fireEvent.click(screen.getByText("retinol"));
    expect(screen.getByText("none of these").getAttribute("aria-pressed")).toBe("false");
    fireEvent.click(screen.getByText("retinol"));
    expect(keep).toHaveProperty("disabled", true);
    // A kind that the practice knows says it by itself, however it is typed.
    fireEvent.change(name, { target: { value: "night CREAM" } });
    expect(screen.getByText("retinol").getAttribute("aria-pressed")).toBe("true");
    fireEvent.click(keep);
    await waitFor(() => expect(submit).toHaveBeenCalled());
    expect(submit.mock.calls[0]?.[0]).toMatchObject({ products: [{ actives: ["RETINOL"] }] });
  });
});
