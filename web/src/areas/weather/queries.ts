import { keepPreviousData, useQuery } from "@tanstack/react-query";

import { answerOf, api } from "../../api/client";

/** useWeather is the weather as it was read up to a day, and the outlook. */
export const useWeather = (until: string | undefined) =>
  useQuery({
    queryKey: ["weather", until],
    queryFn: () => answerOf(api.GET("/api/weather", { params: { query: { on: until } } })),
    placeholderData: keepPreviousData,
  });

/** useClimate is the climate behind it, with the frost limits of a plant where one is named. */
export const useClimate = (species: string) =>
  useQuery({
    queryKey: ["climate", species],
    queryFn: () => answerOf(api.GET("/api/climate", { params: { query: { species } } })),
    placeholderData: keepPreviousData,
  });

/** useWater is the water of every bed. */
export const useWater = () =>
  useQuery({ queryKey: ["water"], queryFn: () => answerOf(api.GET("/api/water")) });
