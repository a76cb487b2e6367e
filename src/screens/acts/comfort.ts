"use client";
import * as actions from "@/server/student/comfort-actions";
import { tried } from "./tried";

export const keepComfort = tried(actions.keepComfort, "quietly");
