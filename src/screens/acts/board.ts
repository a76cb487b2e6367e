"use client";
import * as actions from "@/server/live/board-actions";
import { tried } from "./tried";

export const callToBoard = tried(actions.callToBoard);
export const keepScriptInUse = tried(actions.keepScriptInUse);
