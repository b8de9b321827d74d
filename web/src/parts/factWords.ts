import {
  ALARM_STEPS,
  ENDING_STEPS,
  GATE_CHOICES,
  QUALITIES,
  READY_STEPS,
  REDNESS,
  RESPONSES,
  SIGNS,
  WHITENING,
} from "../api/enumWords";
import type { Fact, Zone } from "../api/types";
import { decimal, minutes, plural, regionName, second, zoneName } from "./words";

/** What happened, as the session log says it; a new kind of fact has no words until it has them here. */
export function factWords(fact: Fact): string {
  switch (fact.type) {
    case "Opened":
      return "opened";
    case "StepDone":
      return noted(READY_STEPS[fact.step], fact.note);
    case "GateADecided":
      return noted(`answer to the prep: ${GATE_CHOICES[fact.choice]}`, fact.note);
    case "AcidPrepStarted":
      return "acid prep touches";
    case "PlanChanged":
      return `answer to the prep: ${GATE_CHOICES[fact.choice]}`;
    case "TimerArmed":
      return "timer armed";
    case "LayerStarted":
      return `layer started on ${zones(fact.zones)}${fact.nextRung ? ", next rung" : ""}`;
    case "ZoneReached":
      return `${zoneName(fact.zone)} covered`;
    case "LayerCovered":
      return "layer covered";
    case "LayersExtended":
      return "one more layer asked for";
    case "ZoneEnded":
      return `${zoneName(fact.zone)} ended`;
    case "FanTurned":
      return fact.on ? "fan on" : "fan off";
    case "AdviceTaken":
      return "advice taken";
    case "AdviceDeclined":
      return `went on: ${fact.reason}`;
    case "SensationAnswered":
      return `feels ${fact.value}`;
    case "QualityTold":
      return `it feels ${QUALITIES[fact.quality]}`;
    case "RednessSeen":
      return `redness: ${byGrade(fact.grades)}`;
    case "WhiteningSeen":
      return `white: ${WHITENING[fact.grade]} on ${zones(fact.zones)}`;
    case "WipeTested":
      return `wipe test, ${zones(fact.zones)}: ${fact.cameOff ? "comes off, crystals" : "stays, frost"}`;
    case "HotSpotFelt":
      return `hot spot, ${zoneName(fact.zone)}: ${fact.value}`;
    case "SignSeen":
      return SIGNS[fact.sign];
    case "SignResolved":
      return noted(`${SIGNS[fact.sign]}: over`, fact.note);
    case "NextTimePlanned":
      return `next time: ${fact.next.formula}${
        fact.next.contact === undefined ? "" : `, ${minutes(fact.next.contact)}`
      }, ${plural(fact.next.layers, "layer")}`;
    case "TakenBack":
      return "taken back";
    case "Corrected":
      return fact.at === undefined
        ? `corrected, it did not happen: ${fact.reason}`
        : `corrected, it happened at ${second(fact.at)}: ${fact.reason}`;
    case "AlarmStepDone":
      return ALARM_STEPS[fact.step];
    case "AlarmStepSkipped":
      return `not needed: ${ALARM_STEPS[fact.step]} (${fact.reason})`;
    case "AcidAllowed":
      return `after the alarm acid may go on: ${fact.reason}`;
    case "RegionAnswered":
      return `${regionName(fact.region)} feels ${fact.value}`;
    case "EarlyEndExplained":
      return `ended before its least time: ${fact.reason}`;
    case "ResponseNoted":
      return `client ${RESPONSES[fact.response]}`;
    case "WorkedIn":
      return `worked in on the ${zoneName(fact.zone)}`;
    case "NoteWritten":
      return fact.text;
    case "EndingStarted":
      return "END";
    case "EndingStepDone":
      return ENDING_STEPS[fact.step];
    case "StageOpened":
      return "next stage";
    case "LayerMeasured":
      return `delivered ${decimal(fact.ml, 2)} mL`;
    case "SpotPassed":
      return `spot pass on ${zones(fact.zones)}`;
    case "BaseLaidOut":
      return `${decimal(fact.mmol, 1)} mmol of base laid out`;
    case "BaseOutrunPassed":
      return `the next layer may outrun the base: ${fact.reason}`;
    case "ZoneTakenOff":
      return `${zoneName(fact.zone)}: acid off`;
    case "ZoneAnswered":
      return `${zoneName(fact.zone)}, after its end: feels ${fact.value}`;
    case "EdgeSeen":
      return `${zoneName(fact.zone)}: edge ${fact.reached ? "reached" : "not reached"}`;
    case "IncidentReported":
      return `incident, ${zones(fact.zones)}: ${fact.seen}; done: ${fact.done}; told: ${fact.told}`;
    case "HandedOver":
      return `taken over from ${fact.from}`;
    case "CareStarted":
      return `${stepWords(fact.step)} on`;
    case "CareDone":
      return `${stepWords(fact.step)} done`;
    case "Extracted":
      return [
        ...fact.points.map(({ zone }) => `a point extracted, ${zoneName(zone)}`),
        ...(fact.lancets > 0 ? [plural(fact.lancets, "lancet")] : []),
      ].join("; ");
    case "BarrierWipedOff":
      return "barrier wiped off";
    case "AddOnPutOn":
      return "retinoid put on";
    case "AddOnWipedOff":
      return "retinoid wiped off";
    case "LeavingChecked":
      return fact.noBurning ? "leaving check: no burning" : "leaving check: it burns";
    case "Signed":
      return "signed";
  }
}

/** Steps name themselves: "eye-care". */
function stepWords(step: string): string {
  return step.toLowerCase().replace(/[_-]/g, " ");
}

function noted(words: string, note: string): string {
  return note ? `${words} (${note})` : words;
}

function zones(all: Zone[]): string {
  return all.length > 4 ? plural(all.length, "zone") : all.map(zoneName).join(", ");
}

/** "pink on 11 zones", the strongest first. */
function byGrade(grades: Record<string, number>): string {
  return [3, 2, 1, 0]
    .map((grade) => {
      const there = Object.keys(grades).filter((zone) => grades[zone] === grade) as Zone[];
      return there.length > 0 ? `${REDNESS[grade]} on ${zones(there)}` : "";
    })
    .filter(Boolean)
    .join("; ");
}
