import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, body } from "../api/client";
import { keys } from "../api/keys";
import { ErrorNote } from "../parts/ErrorNote";
import { useMay } from "../parts/practice";
import { Strip } from "../parts/Strip";
import { decimal, day, hour, plural } from "../parts/words";
import { ArchiveFile } from "./ArchiveFile";
import { PastTime } from "./PastTime";
import { healthQuery } from "./queries";
import styles from "./Health.module.css";

const cx = classNames.bind(styles);

/** How the installation is: what it holds, its backups, what somebody should see to. */
export default function Health() {
  const queries = useQueryClient();
  const health = useQuery(healthQuery);
  const backUp = useMutation({
    mutationFn: async () => body(await api.POST("/api/health/backup")),
    onSuccess: async (fresh) => {
      queries.setQueryData(healthQuery.queryKey, fresh);
      await queries.invalidateQueries({ queryKey: keys.today });
    },
  });
  const archives = useMay("ARCHIVE");
  const erases = useMay("ERASE");
  const state = health.data;
  return (
    <main className={cx("columns", "health")}>
      <section className="pad" aria-label="How it is" tabIndex={0}>
        <h1>How it is</h1>
        <ErrorNote error={health.error} />
        {state && (
          <>
            <Strip
              title="See to it"
              code={state.notices.length === 0 ? "nothing" : state.notices.length}
            />
            {state.notices.length === 0 && (
              <p className={cx("soft", "words")}>Nothing asks for anybody now.</p>
            )}
            {state.notices.map((notice) => (
              <p key={notice} className={cx("warn", "words")}>
                {notice}
              </p>
            ))}
            <Strip title="This installation" />
            <dl>
              <Fact of="Ivesk" is={`${state.version}, on Java ${state.java}`} />
              <Fact
                of="Running since"
                is={`${day(state.startedAt)} ${hour(state.startedAt)}, now ${hour(state.serverNow)} ${state.zone}`}
              />
              <Fact of="Data" is={`${decimal(state.dataMb, 1)} MB in ${state.folder}`} />
              <Fact
                of="Closed by a key"
                is={state.closedByKey ? "yes" : "no: whoever takes the disk reads the data"}
              />
              <Fact of="Free on that disk" is={`${decimal(state.freeMb / 1024, 1)} GB`} />
              <Fact
                of="Treatments open"
                is={`${state.openTreatments}, followed by ${plural(state.followers, "screen")}`}
              />
            </dl>
            <Strip title="Slowest answers of a day" />
            <dl>
              {state.slowest.map((one) => (
                <Fact
                  key={one.question}
                  of={one.question}
                  is={`${decimal(one.slowestMs, 0)} ms at most, ${decimal(one.meanMs, 1)} ms on average of ${one.count}`}
                />
              ))}
            </dl>
          </>
        )}
        {erases && <PastTime />}
      </section>
      <section className="side" aria-label="Backups" tabIndex={0}>
        {archives && <ArchiveFile />}
        <Strip title="Backups" code={state?.backups.length} />
        {state && (
          <div className="pad-small stack">
            <p className="soft small">
              Every night at 2 into {state.backupFolder}. Each is opened and read through before it
              counts. Kept are the newest three, and one of each of 7 days, 5 weeks and 12 months.
              Copy one to another machine now and then.
            </p>
            <div className="row">
              <Button
                variant="outlined"
                disabled={backUp.isPending}
                onClick={() => backUp.mutate()}
              >
                {backUp.isPending ? "Backing up" : "Back up now"}
              </Button>
            </div>
            <ErrorNote error={backUp.error} />
          </div>
        )}
        {state?.backups.length === 0 && <p className="pad-small">None yet.</p>}
        {state?.backups.map((backup) => (
          <div key={backup.name} className="line">
            <span className="grow">
              {day(backup.madeAt)} {hour(backup.madeAt)}
              <small className="under mono">{backup.name}</small>
            </span>
            <span className="mono">{decimal(backup.mb, 1)} MB</span>
          </div>
        ))}
      </section>
    </main>
  );
}

function Fact({ of, is }: { of: string; is: string }) {
  return (
    <div>
      <dt className="soft">{of}</dt>
      <dd>{is}</dd>
    </div>
  );
}
