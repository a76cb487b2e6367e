"use client";
import * as actions from "@/server/assign/afterwards-actions";
import { tried } from "./tried";

export const changeRules = tried(actions.changeRules);
export const changeForStudent = tried(actions.changeForStudent);
export const lookAtRules = tried(actions.lookAtRules, "quietly");
export const lookForStudent = tried(actions.lookForStudent, "quietly");
export const rulesFor = tried(actions.rulesFor, "quietly");
