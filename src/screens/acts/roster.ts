"use client";
import * as actions from "@/server/classes/roster-actions";
import { tried } from "./tried";

export const bringInPasted = tried(actions.bringInPasted);
export const changeStudent = tried(actions.changeStudent, "quietly");
export const leaveClass = tried(actions.leaveClass);
export const lookAtPasted = tried(actions.lookAtPasted);
export const makeCards = tried(actions.makeCards);
export const rejoinClass = tried(actions.rejoinClass);
