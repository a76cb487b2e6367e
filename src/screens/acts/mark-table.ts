"use client";
import * as actions from "@/server/results/mark-table-actions";
import { tried } from "./tried";

export const changeMarkRules = tried(actions.changeMarkRules);
export const changeWeight = tried(actions.changeWeight);
export const excuse = tried(actions.excuse);
