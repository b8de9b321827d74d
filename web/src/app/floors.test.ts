import { existsSync, readdirSync, readFileSync } from "node:fs";
import { basename, dirname, join, normalize, relative } from "node:path";
import { describe, expect, it } from "vitest";

const SRC = join(import.meta.dirname, "..");
const TEXTS = new Map(
  readdirSync(SRC, { recursive: true, encoding: "utf8" })
    .filter((file) => /\.(css|tsx?)$/.test(file))
    .map((file) => [file, readFileSync(join(SRC, file), "utf8")]),
);
const read = (file: string) => TEXTS.get(file)!;
const filesLike = (test: (file: string) => boolean) => [...TEXTS.keys()].filter(test);

/** What each file imports, types and late imports too, as ESLint's own rule does not count them. */
function imports(): Map<string, string[]> {
  const files = filesLike(
    (file) => /\.tsx?$/.test(file) && !file.includes(".test.") && !file.endsWith(".d.ts"),
  );
  return new Map(
    files.map((file) => {
      const said = read(file).matchAll(/(?:from\s+|import\()\s*"(\.[^"]+)"/g);
      const found = [...said].flatMap(([, path]) => {
        const target = normalize(join(SRC, dirname(file), path!));
        const whole = [".ts", ".tsx"].map((end) => target + end).find(existsSync);
        return whole ? [relative(SRC, whole)] : [];
      });
      return [file, found];
    }),
  );
}

/** The first way that leads back to where it began. */
function circle(graph: Map<string, string[]>): string[] | undefined {
  const done = new Set<string>();
  function walk(node: string, way: string[]): string[] | undefined {
    if (way.includes(node)) return [...way.slice(way.indexOf(node)), node];
    if (done.has(node)) return undefined;
    for (const next of graph.get(node) ?? []) {
      const found = walk(next, [...way, node]);
      if (found) return found;
    }
    done.add(node);
    return undefined;
  }
  for (const node of graph.keys()) {
    const found = walk(node, []);
    if (found) return found;
  }
  return undefined;
}

describe("the floors of the web", () => {
  const files = imports();

  it("finds its files", () => {
    expect(files.size).toBeGreaterThan(100);
    expect(files.get("treatment/treat/Treat.tsx")).toContain("parts/FaceMap.tsx");
  });

  it("have no circle of files", () => {
    expect(circle(files)).toBeUndefined();
  });

  it("have no circle of rooms", () => {
    const rooms = new Map<string, string[]>();
    for (const [file, found] of files) {
      const room = file.split("/")[0]!;
      const others = found.map((one) => one.split("/")[0]!).filter((other) => other !== room);
      rooms.set(room, [...(rooms.get(room) ?? []), ...others]);
    }
    expect(circle(rooms)).toBeUndefined();
  });

  it("would see one", () => {
    expect(
      circle(
        new Map([
          ["a", ["b"]],
          ["b", ["a"]],
        ]),
      ),
    ).toEqual(["a", "b", "a"]);
  });
});

describe("colours", () => {
  const COLOUR = /#[0-9a-fA-F]{3,8}\b|\brgba?\(|\bhsla?\(/;

  it("stand in the theme alone", () => {
    const files = filesLike(
      (file) => /\.(css|tsx?)$/.test(file) && !/\.test\.|\.d\.ts$|theme\.ts$/.test(file),
    );
    expect(files.length).toBeGreaterThan(100);
    const coloured = files.filter((file) => COLOUR.test(read(file).replace(/url\(#[^)]*\)/g, "")));
    expect(coloured).toEqual([]);
  });
});

describe("style sheets", () => {
  const sheets = filesLike((file) => file.endsWith(".module.css"));
  const components = filesLike((file) => file.endsWith(".tsx") && !file.includes(".test."));
  const named = (css: string) => [...css.matchAll(/\.([A-Za-z][\w-]*)/g)].map((found) => found[1]!);
  const base = named(read("app/base.css"));

  it("are modules of components, beside the one frame of every screen", () => {
    expect(filesLike((file) => /(?<!\.module)\.css$/.test(file))).toEqual(["app/base.css"]);
    const lone = sheets.filter(
      (sheet) => !components.some((file) => read(file).includes(`/${basename(sheet)}"`)),
    );
    expect(lone).toEqual([]);
  });

  it("share but what the frame holds and the names by which a part is sized", () => {
    const handles = sheets.flatMap((file) =>
      named(read(file).replace(/(?<!:global\()\.[A-Za-z][\w-]*/g, "")),
    );
    const known = new Set([...base, ...handles]);
    const missing = components.flatMap((file) =>
      [...read(file).matchAll(/className="([^"]*)"/g)]
        .flatMap((found) => found[1]!.split(" "))
        .filter((name) => !known.has(name))
        .map((name) => `${file}: ${name}`),
    );
    expect(missing).toEqual([]);
  });

  it("hold every class that a component asks its own sheets for", () => {
    let asked = 0;
    const missing = components
      .filter((file) => read(file).includes("classNames.bind("))
      .flatMap((file) => {
        const text = read(file);
        const own = [...text.matchAll(/from "(\.[^"]*\.module\.css)"/g)].flatMap((found) =>
          named(read(join(dirname(file), found[1]!))),
        );
        const known = new Set([...base, ...own]);
        return [...text.matchAll(/\bcx\(((?:"[\w-]+"(?:, )?)+)/g)]
          .flatMap((found) => [...found[1]!.matchAll(/"([\w-]+)"/g)].map((one) => one[1]!))
          .filter((name) => ++asked && !known.has(name))
          .map((name) => `${file}: ${name}`);
      });
    expect(missing).toEqual([]);
    expect(asked).toBeGreaterThan(300);
  });
});
