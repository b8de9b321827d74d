import Button from "@mui/material/Button";
import { preferCues, useCuePreference } from "./cuePreference";
import { cueSound } from "./cueSound";
import { speak } from "./speak";

/** Each cue can be tried, and muted, before it is needed. */
export function CuesPanel() {
  const cues = useCuePreference();
  return (
    <>
      <Button
        color="inherit"
        aria-pressed={cues.tone}
        onClick={() => preferCues({ ...cues, tone: !cues.tone })}
      >
        tone {cues.tone ? "on" : "muted"}
      </Button>
      <Button color="inherit" onClick={() => cueSound(false, 0)}>
        try a cue
      </Button>
      <Button color="inherit" onClick={() => cueSound(true, 1)}>
        try the limit
      </Button>
      <Button
        color="inherit"
        aria-pressed={cues.voice}
        onClick={() => preferCues({ ...cues, voice: !cues.voice })}
      >
        voice {cues.voice ? "on" : "off"}
      </Button>
      <Button color="inherit" onClick={() => speak("Two minutes left.")}>
        try the voice
      </Button>
      {!("speechSynthesis" in window) && <p className="soft">This browser has no voice.</p>}
      <p className="soft">The flash on the screen stays; a limit is shown whatever is muted.</p>
    </>
  );
}
