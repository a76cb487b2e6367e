"use client";
import * as actions from "@/server/plan/picture-actions";
import { tried } from "./tried";

export const keepDayPictures = tried(actions.keepDayPictures, "quietly");
