/** Says it aloud where the browser has a voice. */
export function speak(words: string, language: string = navigator.language): void {
  if (!("speechSynthesis" in window)) return;
  const said = new SpeechSynthesisUtterance(words);
  said.lang = language;
  window.speechSynthesis.speak(said);
}
