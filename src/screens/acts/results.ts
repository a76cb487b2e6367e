"use client";
import * as actions from "@/server/results/results-actions";
import { tried } from "./tried";

export const countLateAnswers = tried(actions.countLateAnswers);
export const lookAtCorrection = tried(actions.lookAtCorrection, "quietly");
export const correctQuestion = tried(actions.correctQuestion);
export const takeCorrectionBack = tried(actions.takeCorrectionBack);
