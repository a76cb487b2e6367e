"use client";
import * as goals from "@/server/results/goal-actions";
import * as next from "@/server/results/next-actions";
import * as actions from "@/server/results/results-actions";
import { tried } from "./tried";

export const countLateAnswers = tried(actions.countLateAnswers);
export const lookAtCorrection = tried(actions.lookAtCorrection, "quietly");
export const correctQuestion = tried(actions.correctQuestion);
export const takeCorrectionBack = tried(actions.takeCorrectionBack);
export const needAfter = tried(next.needAfter);
export const setGoalCriterion = tried(goals.setGoalCriterion);
