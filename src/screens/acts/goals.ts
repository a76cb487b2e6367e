"use client";
import * as actions from "@/server/results/goal-actions";
import { tried } from "./tried";

export const setGoalCriterion = tried(actions.setGoalCriterion);
