import { Alert, Box, TextField } from "@mui/material";
import { useState } from "react";

import { api, shownVersion, answerOf, type Schemas } from "../../api/client";
import { useClimates } from "../../api/queries";
import { AskBack } from "../../parts/AskBack";
import { Choice, ChoiceRow } from "../../parts/Choices";
import { LineButton } from "../../parts/LineButton";
import { typedNumber } from "../../parts/numbers";
import { useUndo } from "../../parts/Undo";
import { useSend } from "../../parts/useSend";
import { degrees, WorldMap, type Spot } from "./WorldMap";

const few = 4;

/** Where asks where the plot lies, by a touch or typed, and which climate is its own. */
export function Where({ site }: { site: Schemas["SiteView"] }) {
  const { noted } = useUndo();
  const { send, sending, fault, asked, at } = useSend();
  const [latitude, setLatitude] = useState("");
  const [longitude, setLongitude] = useState("");
  const [units, setUnits] = useState(site.units);
  const [width, setWidth] = useState("");
  const [depth, setDepth] = useState("");
  const [all, setAll] = useState(false);
  const [chosen, setChosen] = useState("");
  const north = typedNumber(latitude);
  const east = typedNumber(longitude);
  const known = latitude.trim() !== "" && Math.abs(north) <= 90;
  const climates = useClimates(known ? north : undefined, units).data;
  const spot: Spot | undefined = known
    ? { latitude: north, longitude: Number.isNaN(east) ? 0 : east }
    : undefined;
  const keep = async (climateId: string, affirmed: string[] = []) => {
    setChosen(climateId);
    const entry = await send(() =>
      answerOf(
        api.PUT("/api/site", {
          params: { header: shownVersion(site.version) },
          body: {
            name: site.name,
            latitude: north,
            longitude: longitude.trim() === "" || Number.isNaN(east) ? undefined : east,
            climateId,
            width,
            depth,
            units,
            station: site.station,
            affirmed,
          },
        }),
      ),
    );
    if (entry) noted(entry);
  };
  const shown = all ? climates : climates?.slice(0, few);
  return (
    <>
      <p>Touch the map about where the plot lies, or type it. Days, light and frost follow from it.</p>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1.35fr) minmax(0, 1fr)" },
          gap: 2,
        }}
      >
        <Box>
          <WorldMap
            spot={spot}
            onSpot={(touched) => {
              setLatitude(String(touched.latitude));
              setLongitude(String(touched.longitude));
            }}
          />
        </Box>
        <Box>
          <Box
            sx={{
              display: "grid",
              gridTemplateColumns: "1fr 1fr",
              gap: 1.5,
            }}
          >
            <TextField
              label="Latitude"
              value={latitude}
              onChange={(event) => setLatitude(event.target.value)}
              {...at(
                "latitude",
                known ? degrees(north, "north", "south") : "In degrees; south of the equator below 0",
              )}
            />
            <TextField
              label="Longitude"
              value={longitude}
              onChange={(event) => setLongitude(event.target.value)}
              {...at("longitude", "May stay open")}
            />
            <TextField
              label="West to east"
              value={width}
              onChange={(event) => setWidth(event.target.value)}
              {...at("width", `May stay open: drawn as ${site.width}`)}
            />
            <TextField
              label="North to south"
              value={depth}
              onChange={(event) => setDepth(event.target.value)}
              {...at("depth", `May stay open: drawn as ${site.depth}`)}
            />
          </Box>
          <Box sx={{ mt: 1.5 }}>
            <ChoiceRow label="Units" columns={2}>
              <Choice chosen={units === "metric"} onChoose={() => setUnits("metric")}>
                cm, kg, °C
              </Choice>
              <Choice chosen={units === "us"} onChoose={() => setUnits("us")}>
                inches, pounds, °F
              </Choice>
            </ChoiceRow>
          </Box>
        </Box>
      </Box>
      {known && climates && (
        <Box sx={{ mt: 2 }} role="group" aria-label="Which climate is most like yours?">
          <b>Which of these is most like yours?</b>
          {shown?.map((climate) => (
            <LineButton key={climate.id} ruled disabled={sending} onClick={() => void keep(climate.id)}>
              <Box
                sx={{
                  py: 0.9,
                  px: 0.5,
                  background: chosen === climate.id ? "var(--brambleWash)" : undefined,
                }}
              >
                <b>{climate.name}</b>: {climate.kind}
                <Box sx={{ color: "text.secondary", fontSize: 14.5 }}>{climate.means}</Box>
                {climate.far && (
                  <Box sx={{ color: "var(--clay)", fontSize: 14.5, fontWeight: 600 }}>{climate.far}</Box>
                )}
              </Box>
            </LineButton>
          ))}
          {!all && climates.length > few && (
            <LineButton onClick={() => setAll(true)}>
              <Box sx={{ py: 1, color: "var(--bramble)", fontWeight: 600 }}>None of these: show all</Box>
            </LineButton>
          )}
        </Box>
      )}
      <AskBack
        asked={asked}
        sending={sending}
        yes="It is so: keep it"
        onYes={(affirmed) => void keep(chosen, affirmed)}
      />
      {(fault || at("climateId").error) && (
        <Alert severity="error" sx={{ mt: 2 }}>
          {fault || at("climateId").helperText}
        </Alert>
      )}
    </>
  );
}
