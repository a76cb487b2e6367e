"use client";
import * as actions from "@/server/classes/class-said-actions";
import { tried } from "./tried";

export const bringClassBack = tried(actions.bringClassBack);
export const changeClass = tried(actions.changeClass, "quietly");
export const changeClassAtOffice = tried(actions.changeClassAtOffice, "quietly");
export const makeClass = tried(actions.makeClass, "quietly");
export const makeClassAtOffice = tried(actions.makeClassAtOffice, "quietly");
export const putClassAway = tried(actions.putClassAway);
export const studentsToTake = tried(actions.studentsToTake);
export const takeIntoClass = tried(actions.takeIntoClass);
