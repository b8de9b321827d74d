import { afterEach, describe, expect, it, vi } from "vitest";
import { api, body, NoServer, Problem } from "./client";

afterEach(() => {
  vi.unstubAllGlobals();
  document.cookie = "XSRF-TOKEN=; expires=Thu, 01 Jan 1970 00:00:00 GMT";
});

function answering(answer: (request: Request) => Response | Promise<Response>) {
  vi.stubGlobal("fetch", async (request: Request) => answer(request));
}

describe("the client", () => {
  it("says what the server says when it will not", async () => {
    answering(() => Response.json({ detail: "Date of birth is 2999." }, { status: 400 }));
    await expect(api.GET("/api/clients")).rejects.toEqual(
      new Problem(400, "Date of birth is 2999."),
    );
  });

  it("tells a server that is away from one that refuses", async () => {
    answering(() => {
      throw new TypeError("network");
    });
    await expect(api.GET("/api/clients")).rejects.toBeInstanceOf(NoServer);
  });

  it("sends the token of this page with every write and with no read", async () => {
    document.cookie = "XSRF-TOKEN=abc%2F1";
    const sent: (string | null)[] = [];
    answering((request) => {
      sent.push(request.headers.get("X-XSRF-TOKEN"));
      return Response.json([]);
    });
    await api.GET("/api/clients");
    await api.POST("/api/clients", { body: { name: "Una Vell", dateOfBirth: "1990-01-01" } });
    expect(sent).toEqual([null, "abc/1"]);
  });

  it("hands on the body", async () => {
    answering(() => Response.json([{ name: "Una Vell" }]));
    expect(body(await api.GET("/api/clients"))).toEqual([{ name: "Una Vell" }]);
  });

  it("has words for an answer without any", async () => {
    answering(() => new Response("<html>", { status: 502 }));
    await expect(api.GET("/api/clients")).rejects.toThrow("The server answered 502.");
  });
});
