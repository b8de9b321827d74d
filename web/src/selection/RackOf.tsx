import classNames from "classnames/bind";
import type { Rack, Tile } from "../api/types";
import styles from "./RackOf.module.css";

const cx = classNames.bind(styles);

interface RackProps {
  rack: Rack;
  picked: string | undefined;
  beside: string | null;
  onPick: (code: string) => void;
}

/** Families as columns, mild to strong; rungs upward; below them what is chosen by hand. */
export function RackOf({ rack, picked, beside, onPick }: RackProps) {
  const tile = (one: Tile) => (
    <TileButton
      key={one.code}
      tile={one}
      ranked={!!rack.families.find((family) => family.id === one.family)?.ranked}
      first={one.code === rack.ranked[0]}
      picked={one.code === picked}
      beside={one.code === beside}
      onPick={() => onPick(one.code)}
    />
  );
  const byHand = rack.families.filter((family) => !family.ranked);
  return (
    <>
      <div className={cx("rack")}>
        {rack.families
          .filter((family) => family.ranked)
          .map((family) => (
            <div key={family.id} className={cx("family-column")}>
              {rack.tiles
                .filter((one) => one.family === family.id)
                .toReversed()
                .map(tile)}
              <span className={cx("family-name")} title={family.label}>
                {family.id === "AZELAIC_MANDELIC" ? "azelaic +" : family.label}
              </span>
            </div>
          ))}
      </div>
      <p className={cx("row", "small", "soft", "rack-foot")}>
        <span>milder</span>
        <span className="grow">stronger families to the right, stronger rungs upward</span>
        <span>stronger</span>
      </p>
      <div className={cx("by-hand")} role="group" aria-label="Chosen by hand, not ranked">
        <span className="small soft">by hand</span>
        {rack.tiles.filter((one) => byHand.some((family) => family.id === one.family)).map(tile)}
      </div>
    </>
  );
}

function TileButton({
  tile,
  ranked,
  first,
  picked,
  beside,
  onPick,
}: {
  tile: Tile;
  ranked: boolean;
  first: boolean;
  picked: boolean;
  beside: boolean;
  onPick: () => void;
}) {
  const open = tile.shut.length === 0;
  const state = open
    ? ranked
      ? tile.competes
        ? String(tile.shown)
        : `(${tile.shown})`
      : "open"
    : tile.here
      ? `shut · ${tile.shut.length}`
      : "not here";
  return (
    <button
      type="button"
      className={cx(
        "tile",
        open ? "" : tile.here ? "shut" : "elsewhere",
        picked ? "picked" : "",
        beside ? "beside" : "",
      )}
      aria-pressed={picked || beside}
      onClick={onPick}
    >
      {open && ranked && (
        <i className={cx(tile.competes ? "" : "aside")} style={{ height: `${tile.shown}%` }} />
      )}
      <b className="mono">{tile.code}</b>
      <span className={cx("strength")}>{tile.strength}</span>
      {first && <em>first</em>}
      {!first && tile.version > 0 && <em className={cx("own")}>own</em>}
      <small className="mono">{state}</small>
      <span className="hidden">{tile.name}</span>
    </button>
  );
}
