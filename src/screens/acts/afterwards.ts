"use client";
import * as actions from "@/server/actions/afterwards";
import { tried } from "./tried";

export const changeRules = tried(actions.changeRules);
export const changeStudent = tried(actions.changeStudent);
export const lookAtRules = tried(actions.lookAtRules, "quietly");
export const lookAtStudent = tried(actions.lookAtStudent, "quietly");
export const rulesFor = tried(actions.rulesFor, "quietly");
