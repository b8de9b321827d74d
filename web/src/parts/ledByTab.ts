// Whether the focus was last moved by Tab rather than by a touch. :focus-visible does not tell: it
// turns true at the first key pressed after a touch.
let byTab = false;
window.addEventListener("keydown", (event) => event.key === "Tab" && (byTab = true), true);
window.addEventListener("pointerdown", () => (byTab = false), true);

export function ledByTab(): boolean {
  return byTab;
}
