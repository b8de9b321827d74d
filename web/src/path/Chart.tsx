import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { api, body } from "../api/client";
import type { Treatment, Visit } from "../api/types";
import { keys } from "../api/keys";
import { Contact } from "../aftercare/Contact";
import { HomePlan } from "../aftercare/HomePlan";
import { afterQuery } from "../aftercare/queries";
import { CallLink } from "../parts/CallLink";
import { ErrorNote } from "../parts/ErrorNote";
import { FaceMap } from "../parts/FaceMap";
import { figureOf } from "../parts/figures";
import { useMay } from "../parts/practice";
import { Ribbon } from "../parts/Ribbon";
import { factWords } from "../parts/factWords";
import { ribbonOfTreatment } from "../parts/ribbonModel";
import { Segments } from "../parts/Segments";
import { Strip } from "../parts/Strip";
import { day, firstName, hour, plural, respected, second } from "../parts/words";
import { Progress } from "../series/Progress";
import { Summary } from "../treatment/couch/Summary";
import { treatmentQuery } from "../treatment/couch/useTreatment";
import { zoneLooks } from "../treatment/couch/zoneLooks";
import { ClientForm } from "../client/ClientForm";
import { Addenda } from "./Addenda";
import { AuditTrail } from "./AuditTrail";
import { Beside } from "./Beside";
import { EraseAtWish } from "./EraseAtWish";
import { JoinCharts } from "./JoinCharts";
import { JoinedCharts } from "./JoinedCharts";
import { clientQuery, clientVisitsQuery } from "../client/queries";
import whoStripStyles from "../parts/WhoStrip.module.css";
import styles from "./Chart.module.css";

const cx = classNames.bind({ ...whoStripStyles, ...styles });

const TABS = [
  { id: "visits", label: "Visits" },
  { id: "progress", label: "Progress" },
  { id: "home-plan", label: "Home plan" },
];

/** A client's chart: every visit, and the record of one with its ribbon. */
export default function Chart() {
  const { clientId = "", tab = "visits" } = useParams();
  const navigate = useNavigate();
  const client = useQuery(clientQuery(clientId));
  const visits = useQuery(clientVisitsQuery(clientId));
  const [picked, setPicked] = useState<string | null>(null);
  const [beside, setBeside] = useState<string | null>(null);
  const [dialog, setDialog] = useState<"edit" | "join" | "erase" | null>(null);
  const reads = useMay("RECORD");
  const treats = useMay("TREAT");
  const erases = useMay("ERASE");
  const queries = useQueryClient();
  const archive = useMutation({
    mutationFn: async (archived: boolean) =>
      body(
        await api.PUT("/api/clients/{id}/archived", {
          params: { path: { id: clientId } },
          body: { archived },
        }),
      ),
    onSuccess: async (changed) => {
      queries.setQueryData(clientQuery(clientId).queryKey, changed);
      await Promise.all(
        [keys.clientsFound(), keys.clientsListed()].map((queryKey) =>
          queries.invalidateQueries({ queryKey }),
        ),
      );
    },
  });
  const newest = (visits.data ?? []).toReversed();
  const shown =
    newest.find((visit) => visit.id === picked) ??
    newest.find((visit) => visit.signedAt) ??
    newest[0];
  const signed = newest.filter(({ signedAt }) => signedAt);
  const other = signed.find(({ id }) => id === beside && id !== shown?.id);
  return (
    <>
      <ErrorNote error={client.error ?? visits.error ?? archive.error} />
      {client.data && (
        <section className={cx("who-strip", "client")} aria-label="Client">
          <h1 className={cx("name")}>{client.data.name}</h1>
          {shown && <span>{shown.age}</span>}
          {shown?.phototype && <span>type {shown.phototype}</span>}
          <span>{client.data.occupation}</span>
          <span>{client.data.allergies || "no allergies told"}</span>
          <span>{respected(client.data)}</span>
          <CallLink number={client.data.telephone} whose={client.data.name} />
          {client.data.mail && <a href={`mailto:${client.data.mail}`}>{client.data.mail}</a>}
          {client.data.sun && <span className="soft">{client.data.sun}</span>}
          {client.data.archivedOn && (
            <span className="warn">archived {day(client.data.archivedOn)}</span>
          )}
          <span className={cx("right", "row")}>
            {reads && (
              <Segments
                label="Part of the chart"
                value={tab}
                options={TABS}
                onChange={(next) =>
                  void navigate(`/clients/${clientId}${next === "visits" ? "" : `/${next}`}`)
                }
              />
            )}
            {!client.data.joinedInto && (
              <>
                <Button size="small" onClick={() => setDialog("edit")}>
                  Edit
                </Button>
                <Button
                  size="small"
                  color="inherit"
                  onClick={() => archive.mutate(!client.data.archivedOn)}
                >
                  {client.data.archivedOn ? "Bring back" : "Archive"}
                </Button>
              </>
            )}
          </span>
        </section>
      )}
      <JoinedCharts clientId={clientId} />
      {tab === "progress" && reads && (
        <main className={cx("part")}>
          <Progress clientId={clientId} />
        </main>
      )}
      {tab === "home-plan" && reads && (
        <main className={cx("part")}>
          <AtHome visit={newest.find(({ signedAt }) => signedAt)} />
        </main>
      )}
      {(tab === "visits" || !reads) && (
        <main className={cx("columns", "chart")}>
          <section aria-label="Visits">
            <Strip title="Visits" code={newest.length} />
            <ul className={cx("visits")}>
              {newest.map((visit) => (
                <li key={visit.id}>
                  <button
                    type="button"
                    aria-pressed={visit.id === shown?.id}
                    onClick={() => setPicked(visit.id)}
                  >
                    <span className="mono">{day(visit.startsAt)}</span>
                    <b>{reads ? (visit.formula ?? "no peel yet") : hour(visit.startsAt)}</b>
                    <small className="soft">{visit.signedAt ? "signed" : visit.needs}</small>
                  </button>
                </li>
              ))}
            </ul>
            {visits.data && newest.length === 0 && !client.data?.joinedInto && (
              <p className="pad soft">No visit yet. The first is added on Today.</p>
            )}
            {reads && shown?.signedAt && signed.length > 1 && (
              <div className="pad">
                <TextField
                  select
                  fullWidth
                  size="small"
                  label="Put beside it"
                  value={other?.id ?? ""}
                  onChange={(event) => setBeside(event.target.value || null)}
                >
                  <MenuItem value="">no other visit</MenuItem>
                  {signed
                    .filter(({ id }) => id !== shown.id)
                    .map((visit) => (
                      <MenuItem key={visit.id} value={visit.id}>
                        {day(visit.startsAt)}, {visit.formula}
                      </MenuItem>
                    ))}
                </TextField>
              </div>
            )}
            {reads && client.data && (
              <p className="pad row wrap">
                <Button
                  size="small"
                  color="inherit"
                  href={`/api/clients/${clientId}/archive`}
                  download
                >
                  All of it, as a file
                </Button>
                <Button
                  size="small"
                  color="inherit"
                  href={`/api/clients/${clientId}/fhir`}
                  download
                >
                  HL7 FHIR R4
                </Button>
                {treats && !client.data.joinedInto && (
                  <Button size="small" color="inherit" onClick={() => setDialog("join")}>
                    Join another chart
                  </Button>
                )}
                {erases && !client.data.joinedInto && (
                  <Button size="small" color="inherit" onClick={() => setDialog("erase")}>
                    Asked to be erased
                  </Button>
                )}
              </p>
            )}
            {reads && <AuditTrail title="Who looked at this chart" about={clientId} narrow />}
          </section>
          <section className="side" aria-label="Record">
            {shown && reads && other && <Beside one={other} other={shown} />}
            {shown && (reads ? <Record visit={shown} /> : <Booked visit={shown} />)}
          </section>
        </main>
      )}
      {dialog === "edit" && client.data && (
        <ClientForm
          client={client.data}
          onClose={() => setDialog(null)}
          onSaved={() => setDialog(null)}
        />
      )}
      {dialog === "join" && client.data && (
        <JoinCharts client={client.data} onClose={() => setDialog(null)} />
      )}
      {dialog === "erase" && client.data && (
        <EraseAtWish client={client.data} onClose={() => setDialog(null)} />
      )}
    </>
  );
}

/** The home plan of the last peel. */
function AtHome({ visit }: { visit: Visit | undefined }) {
  const after = useQuery({ ...afterQuery(visit?.id ?? "", "EN"), enabled: visit !== undefined });
  if (!visit) {
    return <p className="pad soft">After the first signed peel its home plan stands here.</p>;
  }
  return (
    <section aria-label="Home plan">
      <Strip title="At home, morning and night" code={`after ${day(visit.startsAt)}`} />
      <ErrorNote error={after.error} />
      {after.data && <HomePlan visitId={visit.id} plan={after.data.sheet.home} />}
      <p className="pad">
        <Link to={`/visits/${visit.id}/sheet`}>It is printed with the sheet</Link>
      </p>
    </section>
  );
}

/** What the desk sees of a visit: when and where; it is changed from its day. */
function Booked({ visit }: { visit: Visit }) {
  return (
    <div className="pad stack">
      <h2>
        {day(visit.startsAt)}, {hour(visit.startsAt)}
      </h2>
      <p>
        {visit.room}, {visit.minutes} min, with {visit.therapist}
      </p>
      <p className="soft">What was asked, planned and done is read by who treats.</p>
    </div>
  );
}

function Record({ visit }: { visit: Visit }) {
  const id = visit.treatmentId;
  const { data } = useQuery({
    ...treatmentQuery(id ?? ""),
    enabled: id !== undefined,
  });
  if (!data) {
    return (
      <div className="pad">
        <h2>{day(visit.startsAt)}</h2>
        <p>No peel was done. {visit.needs}.</p>
        <p>
          <Link to={`/visits/${visit.id}/${visit.here.toLowerCase()}`}>Open the visit</Link>
        </p>
        <AuditTrail title="Who looked at this visit, and who changed it" about={visit.id} />
      </div>
    );
  }
  const ribbon = ribbonOfTreatment(data);
  const signature = data.events.findLast(({ fact }) => fact?.type === "Signed");
  return (
    <>
      <Strip
        title={`${day(visit.startsAt)} · ${data.plan.formulaName}`}
        code={signature ? `signed ${hour(signature.at)} by ${signature.who}` : "open"}
      />
      <div className={cx("record")}>
        <div className={cx("record-face")}>
          <FaceMap
            zones={zoneLooks(data, []).zones}
            figure={figureOf(data.plan.zones[0])}
            crop="neck"
            label="The skin at the end"
          />
        </div>
        <div>
          <Summary treatment={data} className={cx("summary")} />
          {signature?.fact?.type === "Signed" && (
            <p>
              <b>Next time:</b> {signature.fact.nextTime}
            </p>
          )}
          <p className="row wrap">
            <Link to={`/visits/${visit.id}/sheet`}>Sheet</Link>
            <Link to={`/visits/${visit.id}/${visit.here.toLowerCase()}`}>Open the visit</Link>
          </p>
        </div>
      </div>
      {ribbon && <Ribbon model={ribbon} unit="clock" label={`Peel of ${day(visit.startsAt)}`} />}
      {signature && <Contact visitId={visit.id} name={firstName(visit.clientName)} />}
      {signature && <Addenda visitId={visit.id} />}
      <Log treatment={data} />
      <AuditTrail title="Who looked at this visit, and who changed it" about={visit.id} />
    </>
  );
}

/** Every event, as it was said. */
function Log({ treatment }: { treatment: Treatment }) {
  return (
    <details className={cx("log")}>
      <summary>Session log, {plural(treatment.events.length, "entry", "entries")}</summary>
      <ol>
        {treatment.events.map((event) => (
          <li key={event.id}>
            <span className="mono">{second(event.at)}</span>
            <span>{event.fact ? factWords(event.fact) : "opened"}</span>
            <span className="soft">{event.who}</span>
          </li>
        ))}
      </ol>
    </details>
  );
}
