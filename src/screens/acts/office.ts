"use client";
import * as actions from "@/server/office/office-actions";
import { tried } from "./tried";

export const archiveClass = tried(actions.archiveClass);
export const keepDaysOff = tried(actions.keepDaysOff);
export const keepHomeroom = tried(actions.keepHomeroom);
export const keepMeetings = tried(actions.keepMeetings);
export const keepName = tried(actions.keepName);
export const keepTeacher = tried(actions.keepTeacher);
export const keepTerms = tried(actions.keepTerms);
export const keepWeek = tried(actions.keepWeek);
export const loseSchoolDay = tried(actions.loseSchoolDay);
export const takeDayBack = tried(actions.takeDayBack);
export const takeTeacherOut = tried(actions.takeTeacherOut);
export const keepShelfRules = tried(actions.keepShelfRules);
export const keepGuestsRule = tried(actions.keepGuestsRule);
export const keepNotesRule = tried(actions.keepNotesRule);
