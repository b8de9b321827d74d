/** What kind of device, as far as a browser tells. */
export function deviceName(agent: string): string {
  if (/Mobi/.test(agent)) return "telephone";
  return /Tablet|Android|iPad/.test(agent) ? "tablet" : "computer";
}
