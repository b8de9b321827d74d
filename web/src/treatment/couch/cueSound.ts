let audio: AudioContext | null = null;

/**
 * A short tone for a cue, lower and longer for a hard limit, louder each time it is repeated;
 * silent where the browser has none.
 */
export function cueSound(hard: boolean, times: number) {
  try {
    audio ??= new AudioContext();
    const start = audio.currentTime;
    const length = hard ? 0.9 : 0.25;
    const tone = audio.createOscillator();
    const level = audio.createGain();
    tone.frequency.value = hard ? 520 : 880;
    level.gain.setValueAtTime(Math.min(1, (hard ? 0.5 : 0.16) * (1 + 0.5 * times)), start);
    level.gain.exponentialRampToValueAtTime(0.001, start + length);
    tone.connect(level).connect(audio.destination);
    tone.onended = () => {
      tone.disconnect();
      level.disconnect();
    };
    tone.start(start);
    tone.stop(start + length);
  } catch {
    // No sound on this machine; the flash and the words say it too.
  }
}
