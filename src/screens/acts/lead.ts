"use client";
import * as actions from "@/server/live/lead-actions";
import { tried } from "./tried";

export const leadAssignment = tried(actions.leadAssignment);
export const leadResource = tried(actions.leadResource);
export const goOnNextLesson = tried(actions.goOnNextLesson);
export const helped = tried(actions.helped);
export const writeNote = tried(actions.writeNote);
export const lookAtGrouping = tried(actions.lookAtGrouping, "quietly");
export const putPageBack = tried(actions.putPageBack);
