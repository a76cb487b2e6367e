"use client";
import * as actions from "@/server/plan/plan-actions";
import { tried } from "./tried";

export const layOut = tried(actions.layOut);
export const layOutChoices = tried(actions.layOutChoices, "quietly");
export const loseDay = tried(actions.loseDay, "quietly");
export const moveAllFrom = tried(actions.moveAllFrom);
export const moveWork = tried(actions.moveWork);
export const rescheduleOrphaned = tried(actions.rescheduleOrphaned);
export const splitWork = tried(actions.splitWork);
export const undoPlan = tried(actions.undoPlan, "quietly");
