import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, body } from "../api/client";
import type { ColourView } from "../api/types";
import { keys } from "../api/keys";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { day, decimal } from "../parts/words";
import type { ConsultPart } from "./ConsultPart";

const SITES = [
  { site: "ARM", field: "armColour", label: "Inner upper arm", use: "gives the class" },
  { site: "FACE", field: "faceColour", label: "Face", use: "for follow-up" },
] as const;
type Site = (typeof SITES)[number];

/** Skin colour by instrument: read, or entered from another one. */
export function Colour({ visitId, consult, state, submit }: ConsultPart) {
  const [entering, setEntering] = useState<Site | null>(null);
  const read = useMutation({
    mutationFn: async ({ site, field }: Site) => {
      const { l, a, b } = body(
        await api.POST("/api/skin/colorimeter/{visitId}/{site}", {
          params: { path: { visitId, site } },
        }),
      );
      await submit({
        [field]: { colour: { l, a, b }, at: new Date().toISOString(), by: "colorimeter" },
      });
    },
  });
  return (
    <>
      <Strip title="By instrument" code={state.arm ? ita(state.arm) : "optional"} />
      {SITES.map((site) => {
        const reading = consult[site.field];
        const view = site.site === "ARM" ? state.arm : state.face;
        return (
          <div key={site.site} className="line">
            <span className="grow">
              {site.label}
              <small className="under">
                {reading && view
                  ? `${site.site === "FACE" ? `${ita(view)} · ` : ""}L* ${decimal(view.l, 1)}, a* ${decimal(view.a, 1)}, b* ${decimal(view.b, 1)}`
                  : site.use}
              </small>
              {reading && (
                <small className="under">
                  {day(reading.at)}, {reading.by}
                </small>
              )}
            </span>
            <Button size="small" onClick={() => read.mutate(site)} disabled={read.isPending}>
              Read
            </Button>
            <Button size="small" color="inherit" onClick={() => setEntering(site)}>
              Enter
            </Button>
          </div>
        );
      })}
      <ErrorNote error={read.error} />
      {entering && (
        <EnterColour
          site={entering}
          was={consult[entering.field]?.colour}
          submit={submit}
          onClose={() => setEntering(null)}
        />
      )}
    </>
  );
}

function ita(view: ColourView): string {
  return `ITA ${decimal(view.ita, 1)}°, ${view.label}`;
}

/** L*, a* and b* by hand; the class shows as they are typed. */
function EnterColour({
  site,
  was,
  submit,
  onClose,
}: {
  site: Site;
  was: { l: number; a: number; b: number } | undefined;
  submit: ConsultPart["submit"];
  onClose: () => void;
}) {
  const [typed, setTyped] = useState({
    l: was?.l.toString() ?? "",
    a: was?.a.toString() ?? "",
    b: was?.b.toString() ?? "",
  });
  const [refused, setRefused] = useState<unknown>(null);
  const number = (text: string) => Number(text.replace(",", "."));
  const colour = { l: number(typed.l), a: number(typed.a), b: number(typed.b) };
  const whole =
    Object.values(typed).every((text) => text.trim() !== "") &&
    Object.values(colour).every((value) => !Number.isNaN(value));
  const shown = useQuery({
    queryKey: keys.ita(colour),
    queryFn: async () => body(await api.POST("/api/skin/ita", { body: colour })),
    enabled: whole,
    retry: false,
  });
  function save(event: FormEvent) {
    event.preventDefault();
    submit({ [site.field]: { colour, at: new Date().toISOString(), by: "entered" } }).then(
      onClose,
      setRefused,
    );
  }
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="enter-colour">
      <form onSubmit={save}>
        <DialogTitle id="enter-colour">{site.label}, read elsewhere</DialogTitle>
        <DialogContent>
          <div className="stack" style={{ paddingTop: 8 }}>
            <div className="row">
              {(["l", "a", "b"] as const).map((axis) => (
                <TextField
                  key={axis}
                  label={`${axis.toUpperCase()}*`.replace("A", "a").replace("B", "b")}
                  autoFocus={axis === "l"}
                  value={typed[axis]}
                  onChange={(e) => setTyped({ ...typed, [axis]: e.target.value })}
                  slotProps={{ htmlInput: { inputMode: "decimal" } }}
                />
              ))}
            </div>
            <p role="status">
              {shown.data && whole
                ? `${ita(shown.data)}, beside type ${shown.data.type}`
                : "L* 0 to 100, a* and b* −128 to 127; skin has a b* above 0."}
            </p>
            <ErrorNote error={refused ?? (whole ? shown.error : null)} />
          </div>
        </DialogContent>
        <DialogActions>
          <Button color="inherit" onClick={onClose}>
            Leave it
          </Button>
          <Button type="submit" variant="contained" disabled={!whole}>
            Keep reading
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
