"use client";
import * as actions from "@/server/office/begin-actions";
import { tried } from "./tried";

export const acceptInvitation = tried(actions.acceptInvitation, "quietly");
export const beginSchool = tried(actions.beginSchool, "quietly");
export const bringInPeople = tried(actions.bringInPeople, "quietly");
export const endSecondStepOf = tried(actions.endSecondStepOf);
export const inviteAgain = tried(actions.inviteAgain);
