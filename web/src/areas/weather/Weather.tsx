import { Box, Button, Typography } from "@mui/material";
import { useState } from "react";
import { useSearchParams } from "react-router";

import { answerOf, api, shownVersion, type Schemas } from "../../api/client";
import { BringDialog } from "../../parts/BringDialog";
import { addDays, dayMonth, fullDay } from "../../parts/dates";
import { FormDialog } from "../../parts/FormDialog";
import { Trouble } from "../../parts/Trouble";
import { useUndo } from "../../parts/Undo";
import { useSend } from "../../parts/useSend";
import { DaysChart } from "./DaysChart";
import { Head } from "./Head";
import { useWeather } from "./queries";

/** Weather is the days as they were read and by whom, what is expected, and how good that was so far. */
export function Weather() {
  const [params, setParams] = useSearchParams();
  const until = params.get("until") ?? undefined;
  const query = useWeather(until);
  const [picked, setPicked] = useState<string>();
  const [opened, setOpened] = useState<"type" | "bring">();
  const weather = query.data;
  if (query.error) return <Trouble reason={query.error} />;
  if (!weather) return <Box sx={{ minHeight: 600 }} />;
  const day = weather.days.find((one) => one.day === picked) ?? weather.days.at(-1);
  const isNow = weather.last === weather.today;
  const show = (to: string) => {
    setPicked(undefined);
    setParams(to >= weather.today ? {} : { until: to });
  };
  return (
    <>
      <Head
        title="Weather"
        words={`${weather.source}${weather.simulated ? " · a stand-in, not a real one" : ""}`}
      >
        <Button variant="contained" onClick={() => setOpened("type")}>
          Type a reading
        </Button>
        <Button variant="outlined" onClick={() => setOpened("bring")}>
          Bring a file in
        </Button>
        <Button component="a" href="/api/files/weather">
          As a table
        </Button>
      </Head>
      <Box sx={{ display: "flex", columnGap: 2, alignItems: "baseline", flexWrap: "wrap" }}>
        <Typography variant="h2">
          {dayMonth(weather.first)} to {fullDay(weather.last)}
        </Typography>
        <Box sx={{ flex: { xs: "1 0 100%", md: 1 }, color: "text.secondary" }}>{weather.sumWords}</Box>
        <Button onClick={() => show(addDays(weather.last, -28))}>Four weeks back</Button>
        <Button disabled={isNow} onClick={() => show(addDays(weather.last, 28))}>
          Four weeks on
        </Button>
      </Box>
      <DaysChart
        days={weather.days}
        outlook={isNow ? weather.outlook : []}
        scale={weather.scale}
        chosen={day?.day}
        onChoose={setPicked}
      />
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "1fr 1fr" },
          columnGap: 4,
          rowGap: 2,
          mt: 1,
        }}
      >
        {day && <Chosen day={day} onType={() => setOpened("type")} />}
        <Scores weather={weather} />
      </Box>
      {opened === "type" && (
        <TypeDialog
          days={weather.days}
          day={day}
          today={weather.today}
          onClose={() => setOpened(undefined)}
        />
      )}
      {opened === "bring" && (
        <BringDialog
          title="Daily weather from a file"
          help="A table with commas: date, tmin, tmax and rain in °C and mm, or the open GHCN-Daily layouts."
          ask={(body) => answerOf(api.POST("/api/weather/file", { body }))}
          onClose={() => setOpened(undefined)}
        />
      )}
    </>
  );
}

function Chosen({ day, onType }: { day: Schemas["DayView"]; onType: () => void }) {
  const { noted } = useUndo();
  const { send, sending, fault } = useSend();
  const drop = async (source: "typed" | "file") => {
    const entry = await send(() =>
      answerOf(api.DELETE("/api/weather/readings", { params: { query: { day: day.day, source } } })),
    );
    if (entry) noted(entry);
  };
  const from = (source: string) => [day.lowFrom, day.highFrom, day.rainFrom].includes(source as "typed");
  return (
    <Box>
      <Typography variant="h3">{fullDay(day.day)}</Typography>
      <Box sx={{ my: 0.5 }}>{day.words}.</Box>
      {day.note && <Box sx={{ color: "text.secondary" }}>{day.note}</Box>}
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }} className="no-print">
        <Button variant="outlined" onClick={onType}>
          {from("typed") ? "Change what you read" : "Type what you read"}
        </Button>
        {from("typed") && (
          <Button disabled={sending} onClick={() => void drop("typed")}>
            Take your reading away
          </Button>
        )}
        {from("file") && (
          <Button disabled={sending} onClick={() => void drop("file")}>
            Take the file's away
          </Button>
        )}
      </Box>
      {fault && <Box sx={{ color: "var(--forbid)" }}>{fault}</Box>}
    </Box>
  );
}

function Scores({ weather }: { weather: Schemas["WeatherView"] }) {
  const most = Math.max(1, ...weather.scores.map((one) => Math.max(one.offC, one.usualC)));
  return (
    <Box>
      <Typography variant="h3">How good the outlook was</Typography>
      <Box sx={{ my: 0.5 }}>{weather.scoreWords}</Box>
      {weather.scores.length > 0 && (
        <Box
          component="table"
          sx={{
            borderCollapse: "collapse",
            fontSize: 14.5,
            "& td, & th": { pr: { xs: 1, md: 2 }, py: 0.1, textAlign: "left", whiteSpace: { md: "nowrap" } },
          }}
        >
          <thead>
            <tr>
              <th scope="col">Days ahead</th>
              <th scope="col">Off by</th>
              <th scope="col">In its band</th>
              <th scope="col">Rain, than usual</th>
            </tr>
          </thead>
          <tbody>
            {weather.scores.map((one) => (
              <tr key={one.ahead}>
                <td>{one.ahead}</td>
                <td>
                  <Box sx={{ display: "flex", alignItems: "center", gap: 1 }}>
                    <svg width={90} height={12} aria-hidden>
                      <rect
                        width={(one.usualC / most) * 90}
                        height={12}
                        fill="none"
                        stroke="var(--softInk)"
                      />
                      <rect width={(one.offC / most) * 90} height={12} fill="var(--lichen)" />
                    </svg>
                    {one.off}
                  </Box>
                </td>
                <td>{one.inside}</td>
                <td>{one.rain}</td>
              </tr>
            ))}
          </tbody>
        </Box>
      )}
      <Box sx={{ color: "text.secondary", fontSize: 14, mt: 0.5 }}>
        {weather.scores.length > 0 && "Outlined: how far off what is usual would have been. "}
        {weather.unreadWords}
      </Box>
    </Box>
  );
}

interface TypeProps {
  days: Schemas["DayView"][];
  day: Schemas["DayView"] | undefined;
  today: string;
  onClose: () => void;
}

/** TypeDialog types what was read of the chosen day; another day can be named. */
function TypeDialog({ days, day, today, onClose }: TypeProps) {
  return (
    <FormDialog
      title="What you read"
      act="Note it"
      values={{
        day: day?.day ?? today,
        low: day?.typedLow ?? "",
        high: day?.typedHigh ?? "",
        rain: day?.typedRain ?? "",
        note: day?.note ?? "",
      }}
      version={day?.version}
      fields={[
        { name: "day", label: "Day", kind: "day", wide: true },
        { name: "low", label: "Lowest of the night", help: "-2 °C or 28 °F; empty where it was not read" },
        { name: "high", label: "Highest of the day", help: "Empty where it was not read" },
        { name: "rain", label: "Rain in the gauge", help: "4 mm or 0.16 in; 0 for none" },
        { name: "note", label: "Note" },
      ]}
      onClose={onClose}
      send={(typed, version) =>
        answerOf(
          api.PUT("/api/weather/readings", {
            params: {
              header: shownVersion(days.find((one) => one.day === typed.day)?.version ?? version),
            },
            body: {
              day: typed.day ?? "",
              low: typed.low,
              high: typed.high,
              rain: typed.rain,
              note: typed.note,
            },
          }),
        )
      }
    />
  );
}
