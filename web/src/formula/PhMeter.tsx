import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { queryOptions, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, body } from "../api/client";
import { keys } from "../api/keys";
import { Strip } from "../parts/Strip";
import { decimal } from "../parts/words";
import type { ToolProps } from "./ToolProps";
import { Result } from "./Result";
import toolStyles from "./Tool.module.css";
import styles from "./PhMeter.module.css";

const cx = classNames.bind({ ...toolStyles, ...styles });

const meterQuery = queryOptions({
  queryKey: keys.bench("ph-meter"),
  queryFn: async () => body(await api.GET("/api/bench/ph-meter")),
  refetchInterval: 60_000,
});

const BUFFERS = [
  { id: "PH_7_00", label: "7.00" },
  { id: "PH_4_01", label: "4.01" },
] as const;

/** A meter in two buffers, then in a bottle: what a label's pH is worth. */
export function PhMeter({ words }: ToolProps) {
  const queries = useQueryClient();
  const meter = useQuery(meterQuery);
  const [code, setCode] = useState("");
  const dip = useMutation({
    mutationFn: async (buffer: (typeof BUFFERS)[number]["id"]) =>
      body(await api.POST("/api/bench/ph-meter/buffer", { body: { buffer } })),
    onSuccess: (state) => queries.setQueryData(meterQuery.queryKey, state),
  });
  const read = useMutation({
    mutationFn: async (formula: string) =>
      body(await api.POST("/api/bench/ph-meter/bottle", { body: { formula } })),
  });
  const state = meter.data;
  const reading = read.data;
  const age = state?.ageMinutes ?? 0;
  return (
    <>
      <section className={cx("bench-inputs")} aria-label="pH meter">
        <Strip title="Calibrate in two buffers" code="simulated, 25 °C" />
        <div className={cx("bench-group")}>
          {BUFFERS.map(({ id, label }) => (
            <div key={id} className="row">
              <Button className="grow" onClick={() => dip.mutate(id)}>
                Dip in buffer {label}
              </Button>
              <span className={cx("mono", "meter-mv")}>
                {state?.millivolts[id] === undefined
                  ? "–"
                  : `${decimal(state.millivolts[id], 1)} mV`}
              </span>
            </div>
          ))}
          <p className="small">
            {state?.slopePercent === undefined
              ? "Not calibrated. Rinse and blot the electrode between dips."
              : `Slope ${decimal(state.slopePercent, 1)} % of 59.16 mV a pH, ${decimal(state.zeroMv ?? 0, 1)} mV at pH 7, ${age < 1 ? "just now" : `${age} min ago`}.`}
          </p>
          {state?.drifted && (
            <p className="warn">It has drifted since. Calibrate again before you read.</p>
          )}
        </div>
        <Strip title="Read a bottle" />
        <div className={cx("bench-group")}>
          <TextField
            select
            label="Bottle"
            value={code}
            onChange={(e) => {
              setCode(e.target.value);
              read.mutate(e.target.value);
            }}
          >
            {words.formulas
              .filter((formula) => formula.ph !== undefined)
              .map((formula) => (
                <MenuItem key={formula.code} value={formula.code}>
                  {formula.code}, {formula.name}
                </MenuItem>
              ))}
          </TextField>
          <Button disabled={!code} onClick={() => read.mutate(code)}>
            Dip again
          </Button>
        </div>
      </section>
      <Result
        title="pH of the bottle"
        waiting="Calibrate, then dip the electrode into a bottle."
        value={reading && decimal(reading.ph, 2)}
        more={
          reading?.label !== undefined
            ? `its label says ${decimal(reading.label, 1)}: ${decimal(reading.freePercentWv, 1)} % free acid instead of ${decimal(reading.labelFreePercentWv, 1)} %`
            : undefined
        }
        working={
          reading &&
          state?.slopePercent !== undefined &&
          `7 − (${decimal(reading.millivolts, 1)} − ${decimal(state.zeroMv ?? 0, 1)}) mV / ${decimal((59.16 * state.slopePercent) / 100, 2)} mV = ${decimal(reading.ph, 2)}`
        }
        source="Nernst, 59.16 mV a pH at 25 °C. A glass electrode reads water; in gel and alcohol take it as a hint. Electrode usable from 85 to 105 % of the slope, common practice."
        error={read.error ?? dip.error ?? meter.error}
      />
    </>
  );
}
