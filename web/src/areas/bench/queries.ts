import { keepPreviousData, queryOptions, useQuery } from "@tanstack/react-query";

import { answerOf, api } from "../../api/client";

export const useBench = () =>
  useQuery({ queryKey: ["bench"], queryFn: () => answerOf(api.GET("/api/bench")) });

export const useWanted = () =>
  useQuery({ queryKey: ["wanted"], queryFn: () => answerOf(api.GET("/api/bench/wanted")) });

export interface Ask {
  wish: number;
  species: string;
  plants: number;
  by: string;
  bed: number;
}

export const useWays = (ask: Ask) =>
  useQuery({
    queryKey: ["ways", ask],
    queryFn: () => answerOf(api.GET("/api/ways", { params: { query: ask } })),
    enabled: ask.wish > 0 || ask.species !== "",
    placeholderData: keepPreviousData,
  });

export const traysQuery = queryOptions({
  queryKey: ["trays"],
  queryFn: () => answerOf(api.GET("/api/trays")),
});

export const useTrays = () => useQuery(traysQuery);

export const trayQuery = (id: number) =>
  queryOptions({
    queryKey: ["tray", id],
    queryFn: () => answerOf(api.GET("/api/trays/{id}", { params: { path: { id } } })),
  });

export const useTray = (id: number) => useQuery(trayQuery(id));

export const useSeeds = () =>
  useQuery({ queryKey: ["seeds"], queryFn: () => answerOf(api.GET("/api/seeds")) });

export const useVolunteers = () =>
  useQuery({ queryKey: ["volunteers"], queryFn: () => answerOf(api.GET("/api/volunteers")) });

export const useMixes = () =>
  useQuery({ queryKey: ["mixes"], queryFn: () => answerOf(api.GET("/api/mixes")) });

export interface Filling {
  mix: string;
  cells: number;
  cell: string;
}

export const useFilling = (filling: Filling) =>
  useQuery({
    queryKey: ["filling", filling],
    queryFn: () => answerOf(api.GET("/api/fill", { params: { query: filling } })),
    enabled: filling.mix !== "",
    placeholderData: keepPreviousData,
    retry: false,
  });

export interface Setting {
  bed: number;
  width: string;
  length: string;
  spacing: string;
  edge: string;
  species: string;
}

export const useSettingOut = (setting: Setting) =>
  useQuery({
    queryKey: ["setting-out", setting],
    queryFn: () => answerOf(api.GET("/api/setting-out", { params: { query: setting } })),
    placeholderData: keepPreviousData,
    retry: false,
  });

export const useFamily = (species: string) =>
  useQuery({
    queryKey: ["family", species],
    queryFn: () => answerOf(api.GET("/api/family", { params: { query: { species } } })),
    placeholderData: keepPreviousData,
  });
