"use client";
import * as actions from "@/server/assign/assign-actions";
import { tried } from "./tried";

export const addStudents = tried(actions.addStudents);
export const assignResources = tried(actions.assignResources);
export const audienceFor = tried(actions.audienceFor, "quietly");
export const callBack = tried(actions.callBack);
export const changeTimes = tried(actions.changeTimes);
export const lookAtTimes = tried(actions.lookAtTimes, "quietly");
export const lookBeforeAssigning = tried(actions.lookBeforeAssigning, "quietly");
export const orderWork = tried(actions.orderWork);
export const removeStudent = tried(actions.removeStudent);
export const takeNewest = tried(actions.takeNewest);
