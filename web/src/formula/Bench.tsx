import classNames from "classnames/bind";
import { useQuery } from "@tanstack/react-query";
import type { ComponentType } from "react";
import { NavLink, useParams } from "react-router";
import { ErrorNote } from "../parts/ErrorNote";
import { benchWordsQuery } from "./queries";
import { Dose, LabelToLabel, Passage, Ph } from "./Measures";
import { Alligation, Dilute, Mixture, Parts, Serial } from "./Mixing";
import { PhMeter } from "./PhMeter";
import { FreeAcid } from "./FreeAcid";
import { NeutraliserTool } from "./NeutraliserTool";
import type { ToolProps } from "./ToolProps";
import styles from "./Bench.module.css";

const cx = classNames.bind(styles);

/** `mixes`: for who may compound; `checks`: in its place where only labels are checked. */
interface Tool {
  id: string;
  label: string;
  tool: ComponentType<ToolProps>;
  only?: "mixes" | "checks";
}

const TOOLS: Tool[] = [
  { id: "free-acid", label: "Free acid", tool: FreeAcid },
  { id: "two-strengths", label: "Two strengths into one", tool: Alligation, only: "mixes" },
  { id: "dilute", label: "Dilute", tool: Dilute, only: "mixes" },
  { id: "serial", label: "Dilute in steps", tool: Serial, only: "mixes" },
  { id: "mixture", label: "Check a mixture", tool: Mixture, only: "checks" },
  { id: "neutraliser", label: "Neutraliser", tool: NeutraliserTool },
  { id: "dose", label: "Dose", tool: Dose },
  { id: "label", label: "Label to label", tool: LabelToLabel },
  { id: "parts", label: "From parts", tool: Parts },
  { id: "ph", label: "pH", tool: Ph },
  { id: "ph-meter", label: "pH meter", tool: PhMeter },
  { id: "passage", label: "Skin passage", tool: Passage },
];

/** The calculations at the trolley: the answer as one types, and the formula behind it. */
export default function Bench() {
  const { tool = "free-acid" } = useParams();
  const words = useQuery(benchWordsQuery);
  const mixes = words.data?.mayMix ?? true;
  const tools = TOOLS.filter(({ only }) => only === undefined || (only === "mixes") === mixes);
  const Tool = (tools.find(({ id }) => id === tool) ?? tools[0]!).tool;
  return (
    <>
      <main className={cx("columns", "bench")}>
        <nav aria-label="Calculations">
          {tools.map(({ id, label }) => (
            <NavLink key={id} to={`/bench/${id}`} className={cx(id === tool ? "here" : undefined)}>
              {label}
            </NavLink>
          ))}
          {!mixes && (
            <p className={cx("small", "soft", "bench-labels")}>
              Labels only: this practice mixes nothing, so the Bench checks what labels say. The
              policy is set on the page Practice.
            </p>
          )}
        </nav>
        <ErrorNote error={words.error} />
        {words.data && <Tool words={words.data} />}
      </main>
    </>
  );
}
