"use client";
import * as actions from "@/server/reading/child-actions";
import { tried } from "./tried";

export const chooseInterests = tried(actions.chooseInterests, "quietly");
export const finishReading = tried(actions.finishReading, "quietly");
