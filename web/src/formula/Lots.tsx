import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useMutation } from "@tanstack/react-query";
import dayjs from "dayjs";
import { useState } from "react";
import { Controller, useForm, useWatch } from "react-hook-form";
import { api, body } from "../api/client";
import type { LotView, ShelfItem } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { number } from "../parts/NumberField";
import { Strip } from "../parts/Strip";
import { decimal, dayOfYear, plural } from "../parts/words";
import { useShelfWrite } from "./shelfQueries";
import styles from "./Lots.module.css";

const cx = classNames.bind(styles);

interface Draft {
  id: string;
  over: number;
  number: string;
  received: string;
  expires: string;
  opened: string;
  months: string;
  volume: string;
  left: string;
}

/** The bottles of one formula; a scanner fills a new one in. */
export function Lots({ item, today }: { item: ShelfItem; today: string }) {
  const [draft, setDraft] = useState<Draft | null>(null);
  const blank = (): Draft => ({
    id: crypto.randomUUID(),
    over: 0,
    number: "",
    received: today,
    expires: "",
    opened: "",
    months: "12",
    volume: "100",
    left: "",
  });
  return (
    <>
      <Strip
        title="Bottles"
        code={item.lots.length === 0 ? "not counted" : plural(item.lots.length, "lot")}
      />
      {item.noBottle && <p className="pad-small warn">None serves today: {item.noBottle}</p>}
      {item.lots.map((lot) => (
        <LotLine
          key={lot.id}
          item={item}
          lot={lot}
          today={today}
          onChange={() => setDraft(draftOf(lot))}
        />
      ))}
      {item.lots.length === 0 && !draft && (
        <p className="pad-small soft">
          No bottle is counted, so none is missed. With the first one, dates and volume are watched.
        </p>
      )}
      {draft ? (
        <LotForm item={item} start={draft} onClose={() => setDraft(null)} />
      ) : (
        <div className="pad-small">
          <Button onClick={() => setDraft(blank())}>Add a bottle</Button>
        </div>
      )}
    </>
  );
}

function draftOf(lot: LotView): Draft {
  return {
    id: lot.id,
    over: lot.version,
    number: lot.number,
    received: lot.received,
    expires: lot.expires,
    opened: lot.opened ?? "",
    months: lot.monthsAfterOpening === undefined ? "" : String(lot.monthsAfterOpening),
    volume: String(lot.volumeMl),
    left: String(Math.round(lot.leftMl * 10) / 10),
  };
}

async function keep(code: string, draft: Draft) {
  return body(
    await api.PUT("/api/shelf/lots/{id}", {
      params: { path: { id: draft.id } },
      body: {
        over: draft.over,
        lot: {
          formulaCode: code,
          number: draft.number.trim(),
          received: draft.received,
          expires: draft.expires,
          opened: draft.opened || undefined,
          monthsAfterOpening: number(draft.months) ?? undefined,
          volumeMl: number(draft.volume) ?? 0,
          leftMl: number(draft.left) ?? number(draft.volume) ?? 0,
        },
      },
    }),
  );
}

function LotLine({
  item,
  lot,
  today,
  onChange,
}: {
  item: ShelfItem;
  lot: LotView;
  today: string;
  onChange: () => void;
}) {
  const write = useShelfWrite((draft: Draft) => keep(item.label.code, draft));
  const good = lot.state === "GOOD";
  return (
    <div className={cx("line", "wrap", "lot")}>
      <div className="grow">
        <b className="mono">{lot.number}</b>{" "}
        <span className={good ? "soft" : "warn"}>{lot.stateLabel}</span>
        <span className="under">
          {decimal(lot.leftMl, 0)} of {decimal(lot.volumeMl, 0)} mL · last day{" "}
          {dayOfYear(lot.lastDay)}
        </span>
        <span className="under">
          {lot.opened ? `opened ${dayOfYear(lot.opened)}` : "sealed"}
          {lot.monthsAfterOpening !== undefined && `, ${lot.monthsAfterOpening} months once open`}
        </span>
      </div>
      {!lot.opened && lot.state !== "EXPIRED" && (
        <Button
          size="small"
          onClick={() => write.mutate({ ...draftOf(lot), opened: today })}
          aria-label={`open lot ${lot.number}`}
        >
          Open
        </Button>
      )}
      {lot.state !== "EMPTY" && (
        <Button
          size="small"
          color="inherit"
          onClick={() => write.mutate({ ...draftOf(lot), left: "0" })}
          aria-label={`lot ${lot.number} is empty or thrown away`}
        >
          Empty
        </Button>
      )}
      <Button size="small" onClick={onChange} aria-label={`change lot ${lot.number}`}>
        Change
      </Button>
      <ErrorNote error={write.error} />
    </div>
  );
}

type TextName = "number" | "received" | "expires" | "opened" | "months" | "volume" | "left";

function LotForm({ item, start, onClose }: { item: ShelfItem; start: Draft; onClose: () => void }) {
  const { control, handleSubmit, setValue } = useForm<Draft>({ defaultValues: start });
  const draft = { ...start, ...useWatch({ control }) };
  const [code, setCode] = useState("");
  const write = useShelfWrite((d: Draft) => keep(item.label.code, d), onClose);
  const read = useMutation({
    mutationFn: async (text: string) => body(await api.POST("/api/shelf/scan", { body: { text } })),
    onSuccess: (label) => {
      if (label.lot) setValue("number", label.lot);
      if (label.expires) setValue("expires", label.expires);
      if (label.volumeMl !== undefined) setValue("volume", String(label.volumeMl));
    },
  });
  const scan = useMutation({
    mutationFn: async () =>
      body(
        await api.POST("/api/shelf/scanner/{code}", {
          params: { path: { code: item.label.code } },
        }),
      ),
    onSuccess: ({ text }) => {
      setCode(text);
      read.mutate(text);
    },
  });
  const other = read.data?.product !== undefined && read.data.product !== item.label.code;
  const whole =
    draft.number.trim() !== "" &&
    dayjs(draft.received).isValid() &&
    dayjs(draft.expires).isValid() &&
    number(draft.volume) !== null;
  const wrong = (typed: string) => typed.trim() !== "" && number(typed) === null;
  const text = (label: string, name: TextName, more: object = {}) => (
    <Controller
      control={control}
      name={name}
      render={({ field }) => <TextField label={label} {...field} {...more} />}
    />
  );
  const date = (label: string, name: "received" | "expires" | "opened") =>
    text(label, name, { type: "date", slotProps: { inputLabel: { shrink: true } } });
  const amount = (label: string, name: "months" | "volume" | "left", helper?: string) =>
    text(label, name, {
      error: wrong(draft[name]),
      helperText: wrong(draft[name]) ? "no number" : helper,
      slotProps: { htmlInput: { inputMode: "decimal" } },
    });
  return (
    <form
      className="ask stack"
      onSubmit={handleSubmit((typed) => write.mutate(typed))}
      aria-label="A bottle"
    >
      {start.over === 0 && (
        <div className="row">
          <TextField
            fullWidth
            label="Code on the bottle"
            placeholder="(240)GLY-35(10)L2231(17)270630"
            value={code}
            onChange={(e) => setCode(e.target.value)}
            onKeyDown={(e) => {
              // A scanner types the code and ends it with Enter.
              if (e.key !== "Enter") return;
              e.preventDefault();
              if (code.trim()) read.mutate(code);
            }}
          />
          <Button onClick={() => scan.mutate()}>Scan</Button>
        </div>
      )}
      <ErrorNote error={scan.error ?? read.error} />
      {other && (
        <p className="warn">
          The code is of {read.data?.product}, not of {item.label.code}.
        </p>
      )}
      <div className={cx("lot-fields")}>
        {text("Lot", "number")}
        {date("Received", "received")}
        {date("Expires", "expires")}
        {date("Opened", "opened")}
        {amount("Months once open", "months")}
        {amount("Volume, mL", "volume")}
        {amount("Left, mL", "left", "empty: full")}
      </div>
      <ErrorNote error={write.error} />
      <div className="row">
        <Button
          type="submit"
          variant="contained"
          disabled={!whole || other || wrong(draft.months) || wrong(draft.left)}
        >
          Keep bottle
        </Button>
        <Button color="inherit" onClick={onClose}>
          Leave it
        </Button>
      </div>
    </form>
  );
}
