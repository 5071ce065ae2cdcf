import { keepPreviousData, queryOptions, useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback } from "react";

import { api, showPlot, answerOf, type Schemas } from "./client";

const onDay = (day: string | undefined) => ({ params: { query: { on: day } } });

export const siteQuery = queryOptions({
  queryKey: ["site"],
  queryFn: async () => {
    const site = await answerOf(api.GET("/api/site"));
    showPlot(site.plotId);
    return site;
  },
});

export const useSite = () => useQuery(siteQuery);

export const useCopies = () =>
  useQuery({ queryKey: ["copies"], queryFn: () => answerOf(api.GET("/api/copies")) });

export const ribbonQuery = (day?: string) =>
  queryOptions({ queryKey: ["ribbon", day], queryFn: () => answerOf(api.GET("/api/ribbon", onDay(day))) });

export const useRibbon = (day?: string) =>
  useQuery({ ...ribbonQuery(day), placeholderData: keepPreviousData });

export const nowQuery = (day?: string) =>
  queryOptions({ queryKey: ["now", day], queryFn: () => answerOf(api.GET("/api/now", onDay(day))) });

export const useNow = (day?: string) => useQuery({ ...nowQuery(day), placeholderData: keepPreviousData });

export const plotQuery = (day?: string) =>
  queryOptions({ queryKey: ["plot", day], queryFn: () => answerOf(api.GET("/api/plot", onDay(day))) });

export const usePlot = (day?: string) => useQuery({ ...plotQuery(day), placeholderData: keepPreviousData });

export const gatherQuery = (day?: string) =>
  queryOptions({ queryKey: ["gather", day], queryFn: () => answerOf(api.GET("/api/gather", onDay(day))) });

export const useGather = (day?: string) =>
  useQuery({ ...gatherQuery(day), placeholderData: keepPreviousData });

export const plantingQuery = (id: number | undefined, day?: string) =>
  queryOptions({
    queryKey: ["planting", id, day],
    queryFn: () =>
      answerOf(api.GET("/api/plantings/{id}", { params: { path: { id: id ?? 0 }, query: { on: day } } })),
  });

export const usePlanting = (id: number | undefined, day?: string) =>
  useQuery({
    ...plantingQuery(id, day),
    enabled: id !== undefined,
    placeholderData: (before) => (before?.id === id ? before : undefined),
  });

export const roundQuery = queryOptions({
  queryKey: ["round"],
  queryFn: () => answerOf(api.GET("/api/round")),
});

export const useRound = () => useQuery(roundQuery);

export const useSpecies = () =>
  useQuery({ queryKey: ["species"], queryFn: () => answerOf(api.GET("/api/species")), staleTime: Infinity });

export const likenessesQuery = queryOptions({
  queryKey: ["likenesses"],
  queryFn: () => answerOf(api.GET("/api/likenesses")),
  staleTime: Infinity,
});

export const useLikenesses = () => useQuery(likenessesQuery);

export interface LedgerFilter {
  kind: string;
  words: string;
  most: number;
}

export const useLedger = (filter: LedgerFilter) =>
  useQuery({
    queryKey: ["ledger", filter],
    queryFn: () => answerOf(api.GET("/api/ledger", { params: { query: filter } })),
    placeholderData: keepPreviousData,
  });

export const useFind = (words: string) =>
  useQuery({
    queryKey: ["find", words],
    queryFn: () => answerOf(api.GET("/api/find", { params: { query: { words } } })),
    enabled: words.trim() !== "",
    placeholderData: keepPreviousData,
  });

/** useRefresh returns a function that reads everything anew: after a change, any number may have moved. */
export function useRefresh() {
  const client = useQueryClient();
  return useCallback(() => client.invalidateQueries(), [client]);
}

export const useLight = (day: string | undefined, wanted: boolean) =>
  useQuery({
    queryKey: ["light", day],
    queryFn: () => answerOf(api.GET("/api/plan/light", onDay(day))),
    enabled: wanted,
    placeholderData: keepPreviousData,
  });

export const useShadows = (day: string | undefined, hour: number, wanted: boolean) =>
  useQuery({
    queryKey: ["shadows", day, hour],
    queryFn: () => answerOf(api.GET("/api/plan/shadows", { params: { query: { on: day, hour } } })),
    enabled: wanted,
    placeholderData: keepPreviousData,
  });

export const useGround = (bedId: number) =>
  useQuery({
    queryKey: ["ground", bedId],
    queryFn: () => answerOf(api.GET("/api/beds/{id}/ground", { params: { path: { id: bedId } } })),
  });

export const useClimates = (latitude: number | undefined, units: Schemas["SiteView"]["units"]) =>
  useQuery({
    queryKey: ["climates", latitude, units],
    queryFn: () =>
      answerOf(api.GET("/api/climates", { params: { query: { latitude: latitude ?? 0, units } } })),
    enabled: latitude !== undefined,
    placeholderData: keepPreviousData,
  });

export const useWhere = (speciesId: string | undefined) =>
  useQuery({
    queryKey: ["where", speciesId],
    queryFn: () =>
      answerOf(api.GET("/api/species/{id}/where", { params: { path: { id: speciesId ?? "" } } })),
    enabled: speciesId !== undefined,
  });

export const useWhat = (bedId: number, use: string, spread: string) =>
  useQuery({
    queryKey: ["what", bedId, use, spread],
    queryFn: () =>
      answerOf(api.GET("/api/beds/{id}/what", { params: { path: { id: bedId }, query: { use, spread } } })),
    placeholderData: keepPreviousData,
  });

export const useMates = (bedId: number) =>
  useQuery({
    queryKey: ["mates", bedId],
    queryFn: () => answerOf(api.GET("/api/beds/{id}/mates", { params: { path: { id: bedId } } })),
  });

export interface PlantsFilter {
  words: string;
  use: string;
  spread: string;
  stage: string;
  beginner: boolean;
  bed: number;
}

export const everyPlant: PlantsFilter = {
  words: "",
  use: "",
  spread: "",
  stage: "",
  beginner: false,
  bed: 0,
};

export const plantsQuery = (filter: PlantsFilter, day?: string) =>
  queryOptions({
    queryKey: ["plants", filter, day],
    queryFn: () => answerOf(api.GET("/api/plants", { params: { query: { ...filter, on: day } } })),
  });

export const usePlants = (filter: PlantsFilter, day?: string) =>
  useQuery({ ...plantsQuery(filter, day), placeholderData: keepPreviousData });

export const usePlant = (id: string, day?: string) =>
  useQuery({
    queryKey: ["plant", id, day],
    queryFn: () => answerOf(api.GET("/api/plants/{id}", { params: { path: { id }, query: { on: day } } })),
    placeholderData: (before) => (before?.id === id ? before : undefined),
  });

export const useCompare = (ids: string[], day?: string) =>
  useQuery({
    queryKey: ["compare", ids, day],
    queryFn: () => answerOf(api.GET("/api/compare", { params: { query: { ids: ids.join(","), on: day } } })),
    enabled: ids.length > 1,
  });

export const checkQuery = (id: number, day: string | undefined, by: string) =>
  queryOptions({
    queryKey: ["check", id, day, by],
    queryFn: () =>
      answerOf(api.GET("/api/plantings/{id}/check", { params: { path: { id }, query: { on: day, by } } })),
  });

export const useCheck = (id: number, day: string | undefined, by: string) =>
  useQuery({ ...checkQuery(id, day, by), placeholderData: keepPreviousData });

export const findCheckQuery = (id: number, day: string | undefined, by: string) =>
  queryOptions({
    queryKey: ["findCheck", id, day, by],
    queryFn: () =>
      answerOf(api.GET("/api/finds/{id}/check", { params: { path: { id }, query: { on: day, by } } })),
  });

export const useFindCheck = (id: number, day: string | undefined, by: string) =>
  useQuery({ ...findCheckQuery(id, day, by), placeholderData: keepPreviousData });

export const useCharacters = () =>
  useQuery({
    queryKey: ["characters"],
    queryFn: () => answerOf(api.GET("/api/characters")),
    staleTime: Infinity,
  });

export const usePlantWords = () =>
  useQuery({
    queryKey: ["plant words"],
    queryFn: () => answerOf(api.GET("/api/plant-words")),
    staleTime: Infinity,
  });

export const useWhatIsThis = (seen: Record<string, string>, skipped: string[]) =>
  useQuery({
    queryKey: ["what is this", seen, skipped],
    queryFn: () => answerOf(api.POST("/api/what-is-this", { body: { seen, skipped } })),
    placeholderData: keepPreviousData,
  });

export const findsQuery = queryOptions({
  queryKey: ["finds"],
  queryFn: () => answerOf(api.GET("/api/finds")),
});

export const useFinds = () => useQuery(findsQuery);

export const basketsQuery = queryOptions({
  queryKey: ["baskets"],
  queryFn: () => answerOf(api.GET("/api/baskets")),
});

export const useBaskets = () => useQuery(basketsQuery);

export const useCautions = (pickingId: number, preparation: string) =>
  useQuery({
    queryKey: ["cautions", pickingId, preparation],
    queryFn: () =>
      answerOf(
        api.GET("/api/pickings/{id}/cautions", {
          params: { path: { id: pickingId }, query: { preparation } },
        }),
      ),
    placeholderData: keepPreviousData,
  });

export const householdQuery = queryOptions({
  queryKey: ["household"],
  queryFn: () => answerOf(api.GET("/api/household")),
});

export const useHousehold = () => useQuery(householdQuery);

export const usePractice = () =>
  useQuery({ queryKey: ["practice"], queryFn: () => answerOf(api.GET("/api/practice")) });

export const useSpecimen = (species: string, other: string, seed: string) =>
  useQuery({
    queryKey: ["specimen", species, other, seed],
    queryFn: () =>
      answerOf(
        api.GET("/api/practice/specimen", { params: { query: { species, other, seed: Number(seed) } } }),
      ),
    staleTime: Infinity,
  });
