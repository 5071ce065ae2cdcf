import { Box, ButtonBase } from "@mui/material";
import { useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from "react";

import { useRibbon, useSite } from "../api/queries";
import { useShownDay } from "./shownDay";
import { addDays, dayMonth, daysBetween, fullDay, monthsOf, sameDayIn, shortDay } from "./dates";

const width = 1000;
const height = 46;
const coldest = -4;
const warmest = 24;

/** How far a key moves the shown day. */
const keySteps: Record<string, number> = { ArrowLeft: -1, ArrowRight: 1, PageUp: -7, PageDown: 7 };

/** The chances of frost are drawn in tenths, each as one shape: a year of single days would be hundreds. */
const frostLevels = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10];

/** bars are those of some values that are drawn, as one path of boxes: left, top, width and height. */
const bars = (
  values: number[],
  drawn: (value: number) => boolean,
  box: (i: number, value: number) => [left: number, top: number, wide: number, high: number],
) =>
  values
    .map((value, i) => {
      if (!drawn(value)) return "";
      const [left, top, wide, high] = box(i, value);
      return `M${left} ${top}h${wide}v${high}h${-wide}Z`;
    })
    .join("");

/** seasonName is the year of a season, or both where it runs through the turn of the year. */
const seasonName = (start: string, end: string) =>
  start.slice(0, 4) === end.slice(0, 4) ? start.slice(0, 4) : `${start.slice(0, 4)}/${end.slice(2, 4)}`;

/** inTen says a chance as growers do. */
const inTen = (chance: number) => `${Math.round(chance * 10)} in 10`;

/**
 * Ribbon is the plot's year: frost as tint, the soil's warmth as a line, the windows that are open each week
 * as bars. A flag is today; the other can be dragged, and the screen shows that day.
 */
export function Ribbon() {
  const { today, shown, show, move, isToday, asked } = useShownDay();
  const year = useRibbon(asked).data;
  const site = useSite().data;
  const field = useRef<HTMLDivElement>(null);
  const [under, setUnder] = useState<string>();
  if (!year || !today || !shown) return <Box sx={{ height: 74, borderBottom: "1px solid var(--rule)" }} />;
  const days = year.frost.length;
  const x = (day: string) => (daysBetween(year.start, day) / days) * width;
  const percent = (day: string) => `${Math.min(100, Math.max(0, (x(day) / width) * 100))}%`;
  const soilY = (celsius: number) => height - 2 - ((celsius - coldest) / (warmest - coldest)) * (height - 6);
  const mostOpen = Math.max(8, ...year.open);

  const dayAt = (clientX: number) => {
    const box = field.current?.getBoundingClientRect();
    if (!box) return shown;
    const share = Math.min(1, Math.max(0, (clientX - box.left) / box.width));
    return addDays(year.start, Math.min(days - 1, Math.round(share * days)));
  };
  const onPointer = (event: PointerEvent<HTMLDivElement>) => {
    setUnder(dayAt(event.clientX));
    if (event.type === "pointerdown") {
      if (event.button !== 0) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      event.preventDefault();
    } else if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
    show(dayAt(event.clientX));
  };
  const onKey = (event: KeyboardEvent) => {
    const step = keySteps[event.key];
    if (step !== undefined) {
      move(step);
      setUnder(addDays(shown, step));
    } else if (event.key === "Home") {
      show(today);
      setUnder(today);
    } else return;
    event.preventDefault();
  };

  const isThisYear = today >= year.start && today <= year.end;
  /** A year before or after, where there is one to show. */
  const otherYear = (step: number) => {
    const day = sameDayIn(shown, step);
    const there =
      site && (step < 0 ? addDays(year.start, -1) >= site.earliestShown : year.end < site.latestShown);
    return there ? day : undefined;
  };

  /** figures are what the ribbon says of a day: how its three marks are read. */
  const figures = (day: string) => {
    const i = Math.min(days - 1, Math.max(0, daysBetween(year.start, day)));
    const open = year.open[Math.floor(i / 7)] ?? 0;
    return {
      frost: `frost at night: ${inTen(year.frost[i] ?? 0)}`,
      soil: `soil: ${year.soilWords[i] ?? ""}`,
      open: `${open} ${open === 1 ? "window" : "windows"} open in the week`,
    };
  };
  return (
    <Box
      component="section"
      aria-label="The year"
      className="no-print"
      sx={{ borderBottom: "1px solid var(--rule)", background: "var(--card)", userSelect: "none" }}
    >
      <Box
        ref={field}
        sx={{ position: "relative", height: height + 22, cursor: "ew-resize", touchAction: "pan-y" }}
        onPointerDown={onPointer}
        onPointerMove={onPointer}
        onPointerLeave={() => setUnder(undefined)}
        onPointerCancel={() => setUnder(undefined)}
        data-testid="ribbon"
      >
        <svg
          viewBox={`0 0 ${width} ${height}`}
          preserveAspectRatio="none"
          width="100%"
          height={height}
          aria-hidden
          style={{ display: "block" }}
        >
          {frostLevels.map((level) => (
            <path
              key={level}
              d={bars(
                year.frost,
                (chance) => Math.round(chance * 10) === level,
                (i) => [(i / days) * width, 0, width / days + 0.3, height],
              )}
              fill="var(--frost)"
              opacity={(level / 10) * 0.55}
            />
          ))}
          <path
            d={bars(
              year.open,
              (n) => n > 0,
              (week, n) => {
                const high = (n / mostOpen) * height * 0.55;
                return [((week * 7 + 0.7) / days) * width, height - high, (5.6 / days) * width, high];
              },
            )}
            fill="var(--leaf)"
            opacity={0.75}
          />
          <path
            d={year.soil
              .map((celsius, i) => `${i ? "L" : "M"}${(i / days) * width} ${soilY(celsius)}`)
              .join(" ")}
            stroke="var(--clay)"
            strokeWidth={1.8}
            fill="none"
            vectorEffect="non-scaling-stroke"
          />
          <path
            d={`M0 ${height - 0.5} H${width}`}
            stroke="var(--ink)"
            strokeWidth={1}
            vectorEffect="non-scaling-stroke"
          />
        </svg>
        {monthsOf(year.start, year.end).map((month) => (
          <Box
            key={month.first}
            sx={{
              position: "absolute",
              left: percent(month.first),
              top: height,
              pl: "5px",
              borderLeft: "1px solid var(--softInk)",
              fontSize: 13,
              lineHeight: "20px",
              color: "text.secondary",
            }}
          >
            <Box component="span" sx={{ display: { xs: "none", md: "inline" } }}>
              {month.name}
            </Box>
            <Box component="span" sx={{ display: { md: "none" } }}>
              {month.name.slice(0, 1)}
            </Box>
          </Box>
        ))}
        {([-1, 1] as const).map((step) => {
          const day = otherYear(step);
          return (
            day && (
              <ButtonBase
                key={step}
                aria-label={`Show ${seasonName(sameDayIn(year.start, step), sameDayIn(year.end, step))}`}
                onPointerDown={(event) => event.stopPropagation()}
                onClick={() => show(day)}
                sx={{
                  position: "absolute",
                  top: 0,
                  ...(step < 0 ? { left: 0 } : { right: 0 }),
                  zIndex: 3,
                  background: "var(--card)",
                  border: "1px solid var(--rule)",
                  color: "var(--bramble)",
                  fontFamily: "inherit",
                  fontSize: 13,
                  px: 0.8,
                  minHeight: { xs: 30, md: 24 },
                  cursor: "pointer",
                }}
              >
                {step < 0 && "‹ "}
                {seasonName(sameDayIn(year.start, step), sameDayIn(year.end, step))}
                {step > 0 && " ›"}
              </ButtonBase>
            )
          );
        })}
        {isThisYear && (
          <Box
            sx={{
              position: "absolute",
              left: percent(today),
              top: 0,
              height: height + 4,
              borderLeft: "2.5px solid var(--bramble)",
              pointerEvents: "none",
            }}
          >
            <Box
              sx={{
                background: "var(--bramble)",
                color: "var(--onBramble)",
                fontSize: 13,
                fontWeight: 700,
                px: 0.8,
                lineHeight: "18px",
                whiteSpace: "nowrap",
              }}
            >
              {shortDay(today)}
            </Box>
          </Box>
        )}
        <Box
          role="slider"
          tabIndex={0}
          aria-label="Shown day"
          aria-valuemin={0}
          aria-valuemax={days - 1}
          aria-valuenow={daysBetween(year.start, shown)}
          aria-valuetext={`${isToday ? "today, " : ""}${fullDay(shown)}; ${Object.values(figures(shown)).join("; ")}`}
          onKeyDown={onKey}
          onFocus={(event) => {
            if (event.currentTarget.matches(":focus-visible")) setUnder(shown);
          }}
          onBlur={() => setUnder(undefined)}
          sx={{
            position: "absolute",
            left: percent(shown),
            top: 0,
            height: height + 4,
            width: 0,
            borderLeft: isToday ? 0 : "2px dashed var(--ink)",
          }}
        >
          {isToday ? (
            <Box
              component="span"
              sx={{
                position: "absolute",
                left: -7,
                top: height - 4,
                width: 16,
                height: 16,
                borderRadius: "50%",
                background: "var(--card)",
                border: "2.5px solid var(--bramble)",
              }}
            />
          ) : (
            <Box
              component="span"
              sx={{
                position: "absolute",
                top: 21,
                whiteSpace: "nowrap",
                background: "var(--card)",
                border: "1.5px solid var(--ink)",
                fontSize: 13,
                px: 0.7,
                lineHeight: "18px",
                ...(x(shown) > width * 0.85 ? { right: 0 } : { left: 0 }),
              }}
            >
              shown: {isThisYear ? dayMonth(shown) : fullDay(shown)}
            </Box>
          )}
        </Box>
        {under && (
          <Box
            aria-hidden
            data-testid="ribbon-figures"
            sx={{
              position: "absolute",
              top: height + 22,
              ...(x(under) > width / 2
                ? { right: `calc(100% - ${percent(under)})` }
                : { left: percent(under) }),
              zIndex: 4,
              background: "var(--card)",
              border: "1.5px solid var(--ink)",
              px: 1.2,
              py: 0.7,
              fontSize: 14,
              lineHeight: 1.45,
              whiteSpace: "nowrap",
              pointerEvents: "none",
            }}
          >
            <b>{fullDay(under)}</b>
            <Figure
              words={figures(under).open}
              mark={<rect x={4} y={3} width={8} height={11} fill="var(--leaf)" />}
            />
            <Figure
              words={figures(under).soil}
              mark={<path d="M0 11 C5 11 8 4 16 4" stroke="var(--clay)" strokeWidth={2} fill="none" />}
            />
            <Figure
              words={figures(under).frost}
              mark={<rect width={16} height={14} fill="var(--frost)" opacity={0.6} />}
            />
          </Box>
        )}
      </Box>
    </Box>
  );
}

/** Figure is one of the ribbon's marks, with what it says of a day. */
function Figure({ mark, words }: { mark: ReactNode; words: string }) {
  return (
    <Box sx={{ display: "flex", gap: 0.8, alignItems: "center" }}>
      <svg width={16} height={14}>
        {mark}
      </svg>
      {words}
    </Box>
  );
}
