"use client";
import * as actions from "@/server/assign/due-actions";
import { tried } from "./tried";

export const changeDue = tried(actions.changeDue);
export const lookAtCrowded = tried(actions.lookAtCrowded, "quietly");
export const lookAtDue = tried(actions.lookAtDue, "quietly");
export const moveDue = tried(actions.moveDue);
