import { cornersOf, formOf, type LocalForm } from "./forms";
import { turned } from "./geometry";
import { lineOf, pathOf } from "./paths";
import type { Placed } from "./things";
import type { View } from "./useView";

const arm = 26;

/** Grips are what a chosen thing is sized and turned by. */
export function Grips({ thing, form, view }: { thing: Placed; form?: LocalForm; view: View }) {
  const shown = form ?? formOf(thing);
  const corners = cornersOf(shown);
  const turns = shown.shape === "rectangle";
  const top = turned({ x: 0, y: -shown.depth / 2 }, shown.turn);
  const foot = view.at({ x: shown.at.x + top.x, y: shown.at.y + top.y });
  const off = turned({ x: 0, y: -arm }, shown.turn);
  const key = `${thing.what}-${thing.id}`;
  return (
    <g>
      {turns && (
        <>
          <path
            d={`M${foot.x} ${foot.y} L${foot.x + off.x} ${foot.y + off.y}`}
            stroke="var(--bramble)"
            strokeWidth={1.4}
          />
          <circle
            cx={foot.x + off.x}
            cy={foot.y + off.y}
            r={7}
            fill="var(--card)"
            stroke="var(--bramble)"
            strokeWidth={2}
            style={{ cursor: "grab" }}
            data-grip="turn"
            data-thing={key}
          >
            <title>Turn it</title>
          </circle>
        </>
      )}
      {corners.map((corner, i) => {
        const at = view.at(corner);
        return (
          <rect
            key={i}
            x={at.x - 6}
            y={at.y - 6}
            width={12}
            height={12}
            fill="var(--card)"
            stroke="var(--bramble)"
            strokeWidth={2}
            style={{ cursor: "crosshair" }}
            data-grip={i}
            data-thing={key}
          >
            <title>Drag the corner</title>
          </rect>
        );
      })}
    </g>
  );
}

/** FormBeing is a shape while it is drawn or dragged. */
export function FormBeing({ form, view }: { form: LocalForm; view: View }) {
  const look = { fill: "var(--bramble)", fillOpacity: 0.14, stroke: "var(--bramble)", strokeWidth: 2 };
  if (form.shape === "polygon" || form.shape === "line")
    return (
      <path
        d={
          form.shape === "polygon" && form.points.length > 2
            ? pathOf([form.points], view)
            : lineOf(form.points, view)
        }
        {...look}
        fill={form.shape === "line" ? "none" : look.fill}
        pointerEvents="none"
      />
    );
  if (form.shape === "rectangle")
    return <path d={pathOf([cornersOf(form)], view)} {...look} pointerEvents="none" />;
  const at = view.at(form.at);
  return (
    <>
      <circle cx={at.x} cy={at.y} r={(form.width / 2) * view.scale} {...look} pointerEvents="none" />
      {form.inner > 0 && (
        <circle cx={at.x} cy={at.y} r={(form.inner / 2) * view.scale} {...look} pointerEvents="none" />
      )}
    </>
  );
}
