"use client";
import * as actions from "@/server/actions/keep";
import { tried } from "./tried";

export const dropNeed = tried(actions.dropNeed);
export const follow = tried(actions.follow);
export const keepNeed = tried(actions.keepNeed);
export const noteUse = tried(actions.noteUse);
export const takeBackNote = tried(actions.takeBackNote);
export const stopFollowing = tried(actions.stopFollowing);
