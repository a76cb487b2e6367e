"use client";
import * as actions from "@/server/find/keep-actions";
import { tried } from "./tried";

export const deleteSearch = tried(actions.deleteSearch);
export const follow = tried(actions.follow);
export const saveSearch = tried(actions.saveSearch);
export const noteUse = tried(actions.noteUse);
export const takeBackNote = tried(actions.takeBackNote);
export const stopFollowing = tried(actions.stopFollowing);
