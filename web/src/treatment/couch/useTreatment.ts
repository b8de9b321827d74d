import { queryOptions, useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { api, body, Problem } from "../../api/client";
import { taken, unfold } from "../../api/treatment";
import type { Fact, NewEvent, Row, Told, Treatment } from "../../api/types";
import { keys } from "../../api/keys";
import { offsetOf, onJump, steadyNow } from "../../parts/steadyNow";
import { sessionQuery } from "../../parts/session";
import { Queue } from "./queue";

export function treatmentQuery(id: string) {
  return queryOptions({
    queryKey: keys.treatment(id),
    queryFn: async () => {
      const answer = await api.GET("/api/treatments/{id}", { params: { path: { id } } });
      return aged(body(answer), answer.response.headers.get("x-kept-at"));
    },
    select: unfold,
    refetchOnWindowFocus: "always",
  });
}

/** The whole in words after so many entries, as it is signed. */
export function summaryQuery({ id, seq }: Pick<Treatment, "id" | "seq">) {
  return queryOptions({
    queryKey: keys.treatmentPart(id, "summary", seq),
    queryFn: async () =>
      body(await api.GET("/api/treatments/{id}/summary", { params: { path: { id } } })).words,
  });
}

/** The row of the table behind the advice that holds now. */
export function whyQuery({ id, seq }: Pick<Treatment, "id" | "seq">, row: Row | undefined) {
  return queryOptions({
    queryKey: keys.treatmentPart(id, "why", seq, row),
    queryFn: async () =>
      body(await api.GET("/api/treatments/{id}/why", { params: { path: { id } } })).row ?? null,
  });
}

/** What was kept on this device tells the server's time of then: it has gone on since. */
function aged(told: Told, keptAt: string | null): Told {
  if (keptAt === null) return told;
  const now = Date.parse(told.couch.serverNow) + (Date.now() - Number(keptAt));
  return { ...told, couch: { ...told.couch, serverNow: new Date(now).toISOString() } };
}

/** Answers that judge an event; any other leaves it to be sent again. */
const DECIDED = [400, 404, 409, 422];

/** The answer of a server whose disk is full. */
const FULL = 507;

export interface LiveTreatment {
  treatment: Treatment | undefined;
  /** Events that the server has not taken yet. */
  unsent: NewEvent[];
  /** Server time minus the time of this machine, milliseconds. */
  offset: number;
  /** This device has no room: what waits is lost with the page. */
  unkept: boolean;
  away: boolean;
  /** The server's disk takes nothing more: what is said waits here until there is room. */
  full: boolean;
  refused: string | null;
  say: (...facts: Fact[]) => void;
  error: unknown;
}

/**
 * A treatment as it runs. What is said is kept on this machine first, then sent in order; other
 * screens follow by the server's stream.
 */
export function useTreatment(id: string, visitId: string): LiveTreatment {
  const queries = useQueryClient();
  const query = useQuery(treatmentQuery(id));
  const queue = useMemo(() => new Queue(id), [id]);
  const [unsent, setUnsent] = useState<NewEvent[]>(() => queue.all());
  const [away, setAway] = useState(false);
  const [full, setFull] = useState(false);
  const [refused, setRefused] = useState<string | null>(null);
  const offset = useOffset(query.data, query.dataUpdatedAt);
  const serverOffset = useRef(offset);
  // Who was last signed in here says it, even while nobody is.
  const who = useRef<string>(undefined);
  const account = useQuery(sessionQuery).data?.account;
  useEffect(() => {
    if (account) who.current = account.username;
  }, [account]);
  const saidBy = useRef(new Map<string, number>());
  const sending = useRef(false);
  const heard = useRef(0);

  const known = useCallback(() => queries.getQueryData(treatmentQuery(id).queryKey), [id, queries]);

  /** Asks for the whole; its summary and "why" are kept by the entry that they hold for. */
  const anew = useCallback(
    () => void queries.invalidateQueries({ queryKey: keys.treatment(id), exact: true }),
    [id, queries],
  );

  /** Asks anew only for what another screen has said. */
  const catchUp = useCallback(() => {
    if (!sending.current && heard.current > (known()?.couch.seq ?? 0)) anew();
  }, [anew, known]);

  useEffect(() => {
    serverOffset.current = offset;
  }, [offset]);
  // After a sleep, or a clock that was set ahead, only the server knows the time.
  useEffect(() => onJump(anew), [anew]);

  // What was said in one go stays in its order: each is sent by the clock that it was said by, also
  // when the first answer has told another time.
  const offsetWhenSaid = useCallback(
    ({ id }: NewEvent) => saidBy.current.get(id) ?? serverOffset.current,
    [],
  );

  const send = useCallback(async () => {
    if (sending.current) return true;
    sending.current = true;
    let moved = false;
    let stale = false;
    let arrived = true;
    // What the server cannot take now holds nothing back: END above all goes on behind it.
    const tried = new Set<string>();
    const waiting = () => queue.all().find(({ id }) => !tried.has(id));
    for (let next = waiting(); next; next = waiting()) {
      tried.add(next.id);
      try {
        const fresh = body(
          await api.POST("/api/treatments/{id}/events", {
            params: { path: { id }, query: { since: known()?.couch.seq ?? 0 } },
            body: { ...next, sentAt: new Date(steadyNow() + offsetWhenSaid(next)).toISOString() },
          }),
        );
        queue.remove(next.id);
        saidBy.current.delete(next.id);
        await queries.cancelQueries({ queryKey: keys.treatment(id), exact: true });
        const before = known();
        if (before) queries.setQueryData(treatmentQuery(id).queryKey, taken(before, fresh));
        // Another plan, or what reaches back: all is asked for anew.
        stale ||= before?.planned.seq !== fresh.planned;
        moved ||=
          before?.couch.phase !== fresh.phase ||
          before.couch.seen.alarms.length !== fresh.seen.alarms.length;
        setAway(false);
        setFull(false);
      } catch (problem) {
        setFull(problem instanceof Problem && problem.status === FULL);
        if (problem instanceof Problem && DECIDED.includes(problem.status)) {
          queue.remove(next.id);
          setRefused(problem.message);
        } else {
          arrived = false;
          if (!(problem instanceof Problem && problem.status >= 500)) break;
        }
      }
      setUnsent(queue.all());
    }
    sending.current = false;
    setUnsent(queue.all());
    if (!arrived) {
      setAway(true);
      return false;
    }
    if (stale) anew();
    else catchUp();
    // The path of the visit moves with the phase; between, it is only asked when it is next shown.
    await queries.invalidateQueries({
      queryKey: keys.visit(visitId),
      refetchType: moved ? "active" : "none",
    });
    return true;
  }, [anew, catchUp, id, known, offsetWhenSaid, queries, queue, visitId]);

  useEffect(() => {
    let failures = 0;
    let timer = 0;
    const again = async () => {
      if (queue.all().length > 0) {
        failures = (await send()) ? 0 : failures + 1;
      }
      timer = window.setTimeout(again, backOff(failures));
    };
    timer = window.setTimeout(again, 0);
    window.addEventListener("online", send);
    return () => {
      window.clearTimeout(timer);
      window.removeEventListener("online", send);
    };
  }, [queue, send]);

  // The stream is opened anew by us and not by the browser: a dead server is asked ever more rarely.
  useEffect(() => {
    let stream: EventSource | undefined;
    let failures = 0;
    let timer = 0;
    const listen = () => {
      stream = new EventSource(`/api/treatments/${id}/stream`);
      stream.onopen = () => {
        failures = 0;
        setAway(false);
        if (queue.all().length > 0) void send();
      };
      stream.addEventListener("changed", (event: MessageEvent<string>) => {
        setAway(false);
        heard.current = Math.max(heard.current, Number(event.data));
        catchUp();
      });
      stream.onerror = () => {
        stream?.close();
        setAway(true);
        failures += 1;
        timer = window.setTimeout(listen, backOff(failures));
      };
    };
    listen();
    return () => {
      window.clearTimeout(timer);
      stream?.close();
    };
  }, [catchUp, id, queue, send]);

  const say = useCallback(
    (...facts: Fact[]) => {
      setRefused(null);
      const now = steadyNow() + offset;
      facts.forEach((fact, i) => {
        const { id } = queue.add(fact, new Date(now + i), who.current);
        saidBy.current.set(id, offset);
      });
      setUnsent(queue.all());
      void send();
    },
    [offset, queue, send],
  );

  return {
    treatment: query.data,
    unsent,
    offset,
    unkept: unsent.length > 0 && queue.unkept,
    away,
    full,
    refused,
    say,
    error: query.error,
  };
}

/**
 * How long to wait before a server that has failed so often is asked again, milliseconds: acid is
 * on, so that it is never long.
 */
function backOff(failures: number): number {
  return Math.min(1500 * 2 ** failures, 6_000);
}

/** Server time as each answer tells it. */
function useOffset(treatment: Treatment | undefined, updatedAt: number): number {
  return useMemo(
    () => (treatment && updatedAt ? offsetOf(treatment.serverNow, updatedAt) : 0),
    [treatment, updatedAt],
  );
}
