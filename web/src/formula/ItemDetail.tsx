import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, body } from "../api/client";
import type { Shelf, ShelfItem } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { clock, decimal, plural } from "../parts/words";
import { Lots } from "./Lots";
import { ProductForm } from "./ProductForm";
import { shelfQuery, useShelfWrite } from "./shelfQueries";
import { useQueryClient } from "@tanstack/react-query";
import styles from "./ItemDetail.module.css";

const cx = classNames.bind(styles);

/** One formula: what its label says, and its bottles. */
export function ItemDetail({ shelf, item }: { shelf: Shelf; item: ShelfItem }) {
  const [editing, setEditing] = useState(false);
  const [asking, setAsking] = useState(false);
  const navigate = useNavigate();
  const queries = useQueryClient();
  const { label } = item;
  const retire = useShelfWrite(
    async (code: string) =>
      body(await api.DELETE("/api/shelf/products/{code}", { params: { path: { code } } })),
    () => void navigate("/shelf"),
  );
  return (
    <>
      <Strip
        title={label.name}
        code={item.version > 0 ? `version ${item.version}` : "shipped, read-only"}
      />
      {item.needs && (
        <p className="pad-small warn">
          Shut until the supervising clinician opens it for the practice.
        </p>
      )}
      {item.aboveSalonFigure && (
        <p className="pad-small">
          Above the salon figure of the safety panel (30 % at pH 3.0, CIR 1998): follow your licence
          and the maker.
        </p>
      )}
      <dl className={cx("label-facts")}>
        {labelFacts(shelf, item).map(([words, value]) => (
          <div key={words}>
            <dt>{words}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      </dl>
      {item.version > 0 && (
        <div className="pad-small row wrap">
          <Button onClick={() => setEditing(true)}>Change the label</Button>
          {asking ? (
            <>
              <span>Off the shelf? Records keep the version they used.</span>
              <Button color="inherit" onClick={() => retire.mutate(label.code)}>
                Take it off
              </Button>
              <Button color="inherit" onClick={() => setAsking(false)}>
                Leave it
              </Button>
            </>
          ) : (
            <Button color="inherit" onClick={() => setAsking(true)}>
              Take off the shelf
            </Button>
          )}
          <ErrorNote error={retire.error} />
        </div>
      )}
      {label.use !== "OUT_OF_SCOPE" && <Lots item={item} today={shelf.today} />}
      <p className="pad-small">
        <Button variant="text" onClick={() => void navigate("/shelf")}>
          What the clinician opened
        </Button>
      </p>
      {editing && (
        <ProductForm
          shelf={shelf}
          item={item}
          onClose={() => {
            setEditing(false);
            void queries.invalidateQueries({ queryKey: shelfQuery.queryKey });
          }}
        />
      )}
    </>
  );
}

function labelFacts(shelf: Shelf, item: ShelfItem): [string, string][] {
  const { label } = item;
  const minutes = (seconds: number) => clock(seconds * 1000);
  const word = (field: "vehicle" | "use" | "ending") =>
    shelf.columns
      .find((column) => column.field === field)
      ?.options.find((option) => option.id === label[field])?.label;
  const substance = (id: string) => shelf.substances.find((s) => s.id === id)?.label ?? id;
  const facts: [string, string | false | undefined][] = [
    ["maker", label.maker],
    [
      "what",
      label.components
        .map((c) => `${substance(c.substance)}${c.percentWv > 0 ? ` ${c.percentWv} % w/v` : ""}`)
        .join(", "),
    ],
    ["pH", label.ph !== undefined && decimal(label.ph, 1)],
    [
      "free acid",
      label.ph !== undefined && item.freeAcidPercent > 0 && `${decimal(item.freeAcidPercent, 1)} %`,
    ],
    ["vehicle", word("vehicle") + (label.bufferedInWater ? ", buffered in water" : "")],
    [
      "made for",
      shelf.regions
        .filter((region) => label.regions.includes(region.id))
        .map((region) => region.label)
        .join(", "),
    ],
    ["how", word("use") ?? "out of scope"],
    [
      "contact",
      label.firstSeconds !== undefined &&
        label.mostSeconds !== undefined &&
        `first ${minutes(label.firstSeconds)}, never beyond ${minutes(label.mostSeconds)}` +
          (label.leastSeconds === undefined ? "" : `, at least ${minutes(label.leastSeconds)}`),
    ],
    ["stays", label.staysHours !== undefined && `${label.staysHours} h`],
    [
      "layers",
      `${label.layersFirst}, at most ${label.layersMost}` +
        (label.dwellSeconds > 0 ? `, ${minutes(label.dwellSeconds)} apart` : "") +
        (item.secondPassByPolicy ? "; a second by policy, after one uneventful visit" : ""),
    ],
    ["depth", item.depthLabel],
    [
      "feels",
      `${label.bandLow} to ${label.bandHigh}` +
        (label.bandSeconds === undefined ? "" : ` within ${minutes(label.bandSeconds)}`) +
        (label.thenFalling ? ", then falling" : ""),
    ],
    ["ended by", word("ending")],
    ["done when", label.doneWhen],
    ["measure", label.measure],
    ["warms", label.warms && "holds a warming agent"],
    ["next after", label.intervalDays > 0 && plural(label.intervalDays, "day")],
    [
      "series",
      label.seriesMost > 0 &&
        (label.seriesLeast === label.seriesMost
          ? String(label.seriesMost)
          : `${label.seriesLeast} to ${label.seriesMost}`),
    ],
    [
      "flaking",
      label.peelingLast > 0 ? `day ${label.peelingFirst} to ${label.peelingLast}` : "none",
    ],
    ["stands for", label.replaces],
  ];
  return facts.filter((fact): fact is [string, string] => !!fact[1]);
}
