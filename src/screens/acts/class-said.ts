"use client";
import * as actions from "@/server/classes/class-said-actions";
import { tried } from "./tried";

export const bringClassBack = tried(actions.bringClassBack);
export const changeClass = tried(actions.changeClass);
export const changeClassAtOffice = tried(actions.changeClassAtOffice);
export const makeClass = tried(actions.makeClass);
export const makeClassAtOffice = tried(actions.makeClassAtOffice);
export const putClassAway = tried(actions.putClassAway);
export const studentsToTake = tried(actions.studentsToTake);
export const takeIntoClass = tried(actions.takeIntoClass);
