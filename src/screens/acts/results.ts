"use client";
import * as actions from "@/server/actions/results";
import { tried } from "./tried";

export const countLateAnswers = tried(actions.countLateAnswers);
