"use client";
import * as actions from "@/server/office/account-actions";
import { tried } from "./tried";

export const beginSecondFactor = tried(actions.beginSecondFactor, "quietly");
export const setNewPassword = tried(actions.setNewPassword, "quietly");
export const signOutElsewhere = tried(actions.signOutElsewhere);
export const turnOffSecondFactor = tried(actions.turnOffSecondFactor, "quietly");
export const turnOnSecondFactor = tried(actions.turnOnSecondFactor, "quietly");
