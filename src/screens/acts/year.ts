"use client";
import * as actions from "@/server/office/year-actions";
import { tried } from "./tried";

export const keepYear = tried(actions.keepYear);
