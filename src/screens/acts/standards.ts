"use client";
import * as actions from "@/server/actions/standards";
import { tried } from "./tried";

export const undoFramework = tried(actions.undoFramework);
