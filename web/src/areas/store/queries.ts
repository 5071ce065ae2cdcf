import { keepPreviousData, queryOptions, useQuery } from "@tanstack/react-query";

import { answerOf, api } from "../../api/client";

export const storeQuery = queryOptions({
  queryKey: ["store"],
  queryFn: () => answerOf(api.GET("/api/store")),
});

export const useStore = () => useQuery(storeQuery);

export const useDrier = () =>
  useQuery({
    queryKey: ["drier"],
    queryFn: () => answerOf(api.GET("/api/drier")),
    refetchInterval: 5 * 60_000, // its hours go on while it is looked at
  });

export const useJar = (id: number) =>
  useQuery({
    queryKey: ["jar", id],
    queryFn: () => answerOf(api.GET("/api/store/jars/{id}", { params: { path: { id } } })),
    enabled: id > 0,
    placeholderData: (before) => (before?.brief.id === id ? before : undefined),
  });

export const useLot = (id: number) =>
  useQuery({
    queryKey: ["lot", id],
    queryFn: () => answerOf(api.GET("/api/store/lots/{id}", { params: { path: { id } } })),
  });

export const useRunway = () =>
  useQuery({
    queryKey: ["runway"],
    queryFn: () => answerOf(api.GET("/api/store/runway")),
    placeholderData: keepPreviousData,
  });

export const useRecalls = () =>
  useQuery({ queryKey: ["recalls"], queryFn: () => answerOf(api.GET("/api/store/recalls")) });

export const useMakings = () =>
  useQuery({ queryKey: ["store makings"], queryFn: () => answerOf(api.GET("/api/store/makings")) });

export const useRecipes = () =>
  useQuery({ queryKey: ["recipes"], queryFn: () => answerOf(api.GET("/api/store/recipes")) });
