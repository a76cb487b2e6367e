"use client";
import * as actions from "@/server/find/standards-actions";
import { tried } from "./tried";

export const undoFramework = tried(actions.undoFramework);
