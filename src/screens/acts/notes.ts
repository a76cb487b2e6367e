"use client";
import * as actions from "@/server/results/note-actions";
import { tried } from "./tried";

export const noteDown = tried(actions.noteDown);
export const setNote = tried(actions.setNote);
