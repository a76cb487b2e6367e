"use client";
import * as actions from "@/server/actions/sign-in";
import { tried } from "./tried";

export const enterAsDemoPerson = tried(actions.enterAsDemoPerson);
export const leave = tried(actions.leave);
export const signInWithPassword = tried(actions.signInWithPassword, "quietly");
