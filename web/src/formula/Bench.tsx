import { useQuery } from "@tanstack/react-query";
import type { ComponentType } from "react";
import { NavLink, useParams } from "react-router";
import type { BenchWords } from "../api/types";
import { RoomOf } from "../app/RoomOf";
import { Top } from "../app/Top";
import { ErrorNote } from "../parts/ErrorNote";
import { benchWordsQuery } from "./queries";
import { Dose, LabelToLabel, Passage, Ph } from "./Measures";
import { Alligation, Dilute, Parts } from "./Mixing";
import { FreeAcid } from "./FreeAcid";
import { NeutraliserTool } from "./NeutraliserTool";
import "./bench.css";

export interface ToolProps {
  words: BenchWords;
}

const TOOLS: { id: string; label: string; tool: ComponentType<ToolProps> }[] = [
  { id: "free-acid", label: "Free acid", tool: FreeAcid },
  { id: "two-strengths", label: "Two strengths into one", tool: Alligation },
  { id: "dilute", label: "Dilute", tool: Dilute },
  { id: "neutraliser", label: "Neutraliser", tool: NeutraliserTool },
  { id: "dose", label: "Dose", tool: Dose },
  { id: "label", label: "Label to label", tool: LabelToLabel },
  { id: "parts", label: "From parts", tool: Parts },
  { id: "ph", label: "pH", tool: Ph },
  { id: "passage", label: "Skin passage", tool: Passage },
];

/** The calculations at the trolley: the answer as one types, and the formula behind it. */
export default function Bench() {
  const { tool = "free-acid" } = useParams();
  const words = useQuery(benchWordsQuery);
  const Tool = (TOOLS.find(({ id }) => id === tool) ?? TOOLS[0]!).tool;
  return (
    <RoomOf room="desk">
      <div className="station">
        <Top />
        <main className="columns bench">
          <nav aria-label="Calculations">
            {TOOLS.map(({ id, label }) => (
              <NavLink key={id} to={`/bench/${id}`} className={id === tool ? "here" : undefined}>
                {label}
              </NavLink>
            ))}
          </nav>
          <ErrorNote error={words.error} />
          {words.data && <Tool words={words.data} />}
        </main>
      </div>
    </RoomOf>
  );
}
