"use client";
import * as actions from "@/server/office/sign-in-actions";
import { tried } from "./tried";

export const askForPassword = tried(actions.askForPassword, "quietly");
export const enterCode = tried(actions.enterCode, "quietly");
export const enterAsDemoPerson = tried(actions.enterAsDemoPerson);
export const leave = tried(actions.leave);
export const signInWithPassword = tried(actions.signInWithPassword, "quietly");
