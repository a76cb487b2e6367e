"use client";
import * as actions from "@/server/results/goal-tag-actions";
import { tried } from "./tried";

export const lookAtGoals = tried(actions.lookAtGoals);
export const renameGoalTag = tried(actions.renameGoalTag);
export const renameGoalTagBack = tried(actions.renameGoalTagBack);
export const endGoal = tried(actions.endGoal);
