// Installs the packages of the lock file, only when it differs from what was installed last.
import { createHash } from "node:crypto";
import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { spawnSync } from "node:child_process";

const stamp = "node_modules/.ivesk-lock";
const lock = createHash("sha256").update(readFileSync("package-lock.json")).digest("hex");
if (!existsSync(stamp) || readFileSync(stamp, "utf8") !== lock) {
  const done = spawnSync("npm", ["ci", "--no-audit", "--no-fund"], {
    stdio: "inherit",
  });
  if (done.status !== 0) process.exit(done.status ?? 1);
  writeFileSync(stamp, lock);
}
