"use client";
import * as actions from "@/server/office/directory-actions";
import { tried } from "./tried";

export const keepDirectory = tried(actions.keepDirectory, "quietly");
export const forgetDirectory = tried(actions.forgetDirectory);
export const rosterFromDirectory = tried(actions.rosterFromDirectory);
