import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import type { Treatment } from "../../api/types";
import { decimal } from "../../parts/words";
import styles from "./OnTheSkin.module.css";

const cx = classNames.bind(styles);

/** The ledger: acid on the skin against base laid out, and what the layer delivered. */
export function OnTheSkin({ treatment, onVolume }: { treatment: Treatment; onVolume: () => void }) {
  const { ledger, layers } = treatment;
  if (layers.length === 0 && ledger.baseMmol === undefined) return null;
  return (
    <div className={cx("on-skin")} role="group" aria-label="On the skin">
      <dl className={cx(ledger.outruns && "outruns")}>
        <Line what="acid" value={`${decimal(ledger.acidMmol, 1)} mmol`} />
        {ledger.baseMmol !== undefined && (
          <Line what="base" value={`${decimal(ledger.baseMmol, 1)} mmol`} />
        )}
        <Line what="dose" value={`${decimal(ledger.mgPerCm2, 2)} mg/cm²`} />
        {ledger.salicylate > 0 && (
          <Line what="salicylate" value={`${decimal(ledger.salicylate * 100, 0)} %`} />
        )}
      </dl>
      {layers.length > 0 && (
        <Button color="inherit" onClick={onVolume}>
          <kbd>v</kbd> mL
          <span className="hidden">{ledger.measured ? ", as measured" : ", as planned"}</span>
        </Button>
      )}
    </div>
  );
}

function Line({ what, value }: { what: string; value: string }) {
  return (
    <div className={cx(what)}>
      <dt>{what}</dt>
      <dd className="mono">{value}</dd>
    </div>
  );
}
