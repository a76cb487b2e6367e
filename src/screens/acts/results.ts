"use client";
import * as actions from "@/server/results/results-actions";
import { tried } from "./tried";

export const countLateAnswers = tried(actions.countLateAnswers);
