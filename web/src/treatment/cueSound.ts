let audio: AudioContext | null = null;

/** A short tone for a cue, louder and lower for a hard limit; silent where the browser has none. */
export function cueSound(hard: boolean) {
  try {
    audio ??= new AudioContext();
    const start = audio.currentTime;
    const tone = audio.createOscillator();
    const level = audio.createGain();
    tone.frequency.value = hard ? 520 : 880;
    level.gain.setValueAtTime(hard ? 0.5 : 0.16, start);
    level.gain.exponentialRampToValueAtTime(0.001, start + (hard ? 0.9 : 0.25));
    tone.connect(level).connect(audio.destination);
    tone.start(start);
    tone.stop(start + (hard ? 0.9 : 0.25));
  } catch {
    // No sound on this machine; the flash and the words say it too.
  }
}
