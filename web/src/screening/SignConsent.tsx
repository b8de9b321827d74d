import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import FormControlLabel from "@mui/material/FormControlLabel";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, useVisitChanged } from "../api/client";
import type { ConsentWords, Family, ScreeningState, SignedName, Visit } from "../api/types";
import { Chips } from "../parts/Chips";
import { ErrorNote } from "../parts/ErrorNote";
import { SignaturePad, type Stroke } from "../parts/SignaturePad";
import { capital } from "../parts/words";
import { consentWordsQuery } from "./queries";
import styles from "./SignConsent.module.css";

const cx = classNames.bind(styles);

interface Hand {
  name: string;
  strokes: Stroke[][];
  typed: boolean;
}

/** The text, its statements, and the signature under it. */
export function SignConsent({
  visit,
  state,
  asked,
  onClose,
}: {
  visit: Visit;
  state: ScreeningState;
  /** Those that may be used for this client; none is chosen beforehand. */
  asked: Family[];
  onClose: () => void;
}) {
  const words = useQuery(consentWordsQuery);
  const changed = useVisitChanged(visit.id);
  const [families, setFamilies] = useState<Family[]>([]);
  const [ticked, setTicked] = useState<number[]>([]);
  const [client, setClient] = useState<Hand>({
    name: visit.clientName,
    strokes: [],
    typed: false,
  });
  const [guardian, setGuardian] = useState<Hand>({
    name: state.guardian,
    strokes: [],
    typed: false,
  });
  const sign = useMutation({
    mutationFn: (text: ConsentWords) =>
      api.POST("/api/visits/{id}/consents", {
        params: { path: { id: visit.id } },
        body: {
          families,
          textVersion: text.version,
          statements: ticked.length,
          client: signed(client),
          guardian: state.minor ? signed(guardian) : undefined,
        },
      }),
    onSuccess: async () => {
      await changed();
      onClose();
    },
  });
  const text = words.data;
  if (!text) return <ErrorNote error={words.error} />;
  const held = text.families
    .filter(({ family }) => families.includes(family))
    .flatMap(({ alsoHolds }) => alsoHolds);
  const ready =
    families.length > 0 &&
    ticked.length === text.statements.length &&
    whole(client) &&
    (!state.minor || whole(guardian));
  function submit(event: FormEvent) {
    event.preventDefault();
    if (text) sign.mutate(text);
  }
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="consent">
      <form onSubmit={submit} className={cx("consent-form")}>
        <DialogTitle id="consent" className="row">
          <span className="grow">Consent</span>
          <span className="mono small soft">text version {text.version}</span>
        </DialogTitle>
        <DialogContent dividers>
          <div className={cx("consent-text")}>
            <div className="stack">
              <Chips
                label="Families"
                options={text.families
                  .filter(({ family }) =>
                    state.consents.some(({ id, signed }) => id === family && !signed),
                  )
                  .sort(
                    (one, two) =>
                      Number(asked.includes(two.family)) - Number(asked.includes(one.family)),
                  )
                  .map(({ family, label }) => ({ id: family, label }))}
                chosen={families}
                onChange={setFamilies}
              />
              {asked.some((family) => !families.includes(family)) && (
                <Button onClick={() => setFamilies([...new Set([...families, ...asked])])}>
                  Choose those for this visit:{" "}
                  {text.families
                    .filter(({ family }) => asked.includes(family))
                    .map(({ label }) => label)
                    .join(", ")}
                </Button>
              )}
              <p>{text.general}</p>
              {text.families
                .filter(({ family }) => families.includes(family) || held.includes(family))
                .map(({ family, label, text: own }) => (
                  <p key={family}>
                    <b>
                      {capital(label)}
                      {!families.includes(family) && ", which is in some of these too"}.
                    </b>{" "}
                    {own}
                  </p>
                ))}
              <p className="small soft">The local law and your insurer come before this text.</p>
            </div>
            <div className="stack">
              {text.statements.map((statement, i) => (
                <FormControlLabel
                  key={statement}
                  sx={{ alignItems: "flex-start", m: 0 }}
                  control={
                    <Checkbox
                      sx={{ pt: 0 }}
                      checked={ticked.includes(i)}
                      onChange={(e) =>
                        setTicked(e.target.checked ? [...ticked, i] : ticked.filter((t) => t !== i))
                      }
                    />
                  }
                  label={statement}
                />
              ))}
              <Sign label="Client" text={text} hand={client} onChange={setClient} />
              {state.minor && (
                <Sign label="Guardian" text={text} hand={guardian} onChange={setGuardian} />
              )}
              <ErrorNote error={sign.error} />
            </div>
          </div>
        </DialogContent>
        <DialogActions>
          <Button color="inherit" onClick={onClose}>
            Leave it
          </Button>
          <Button type="submit" variant="contained" disabled={!ready || sign.isPending}>
            Sign consent
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

function whole(hand: Hand): boolean {
  return hand.name.trim() !== "" && (hand.typed || hand.strokes.length > 0);
}

function signed(hand: Hand): SignedName {
  return {
    name: hand.name.trim(),
    drawn: hand.typed ? undefined : { strokes: hand.strokes },
  };
}

function Sign({
  label,
  text,
  hand,
  onChange,
}: {
  label: string;
  text: ConsentWords;
  hand: Hand;
  onChange: (hand: Hand) => void;
}) {
  return (
    <>
      <TextField
        label={`${label}, full name`}
        value={hand.name}
        onChange={(e) => onChange({ ...hand, name: e.target.value })}
      />
      {!hand.typed && (
        <SignaturePad
          label={`Signature of ${hand.name.trim() || label.toLowerCase()}`}
          width={text.width}
          height={text.height}
          strokes={hand.strokes}
          onChange={(strokes) => onChange({ ...hand, strokes })}
        />
      )}
      <FormControlLabel
        sx={{ m: 0 }}
        control={
          <Checkbox
            size="small"
            checked={hand.typed}
            onChange={(e) => onChange({ ...hand, typed: e.target.checked })}
          />
        }
        label={
          <span className="small">
            {label} cannot draw: the typed name stands for the signature
          </span>
        }
      />
    </>
  );
}
