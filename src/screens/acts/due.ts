"use client";
import * as actions from "@/server/actions/due";
import { tried } from "./tried";

export const changeDue = tried(actions.changeDue);
export const lookAtCrowded = tried(actions.lookAtCrowded, "quietly");
export const moveDue = tried(actions.moveDue);
