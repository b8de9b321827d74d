import { useQuery } from "@tanstack/react-query";
import { api, csrf, Problem } from "../api/client";
import { sessionQuery } from "../parts/session";

export function useSession() {
  return useQuery(sessionQuery);
}

/** What came of trying to sign in. */
export interface Tried {
  /** Why not; null when somebody is signed in. */
  refused: string | null;
  /** The password was right, the second factor's code is asked for. */
  codeNeeded: boolean;
}

async function tried(path: string, sent: unknown): Promise<Tried> {
  await api.GET("/api/session");
  const answer = await fetch(path, {
    method: "POST",
    headers: { ...csrf(), "Content-Type": "application/json" },
    body: JSON.stringify(sent),
  }).catch(() => null);
  if (answer?.ok) return { refused: null, codeNeeded: false };
  if (!answer) {
    return {
      refused: "The server does not answer. Nothing was changed; try again.",
      codeNeeded: false,
    };
  }
  const problem = (await answer.json().catch(() => ({}))) as {
    detail?: string;
    codeNeeded?: boolean;
  };
  return {
    refused: problem.detail ?? `The server answered ${answer.status}.`,
    codeNeeded: problem.codeNeeded ?? false,
  };
}

/** @param code of the second factor, once it is asked for */
export function signIn(username: string, password: string, code: string) {
  return tried("/api/sign-in", { username, password, ...(code !== "" && { code }) });
}

export function signInByPin(username: string, pin: string) {
  return tried("/api/sign-in/pin", { username, pin });
}

/** By a one-time code, with a password of one's own from now on. */
export function signInByCode(username: string, code: string, password: string) {
  return tried("/api/sign-in/code", { username, code, password });
}

export async function signOut() {
  await api.POST("/api/sign-out").catch((problem: unknown) => {
    // Somebody else has ended it before.
    if (!(problem instanceof Problem && problem.status === 401)) throw problem;
  });
  window.location.assign("/");
}
