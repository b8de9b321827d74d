import { useQuery } from "@tanstack/react-query";
import { api, csrf } from "../api/client";
import { sessionQuery } from "../parts/session";

export function useSession() {
  return useQuery(sessionQuery);
}

/** Signs in; the CSRF token turns over with it, so the cookie is read again for each write. */
export async function signIn(username: string, password: string): Promise<string | null> {
  await api.GET("/api/session");
  const answer = await fetch("/api/sign-in", {
    method: "POST",
    headers: csrf(),
    body: new URLSearchParams({ username, password }),
  }).catch(() => null);
  if (answer?.ok) return null;
  if (!answer) return "The server does not answer. Nothing was changed; try again.";
  const problem = (await answer.json().catch(() => ({}))) as {
    detail?: string;
  };
  return problem.detail ?? `The server answered ${answer.status}.`;
}

export async function signOut() {
  await fetch("/api/sign-out", { method: "POST", headers: csrf() });
  window.location.assign("/");
}
