"use client";
import * as actions from "@/server/results/next-actions";
import { tried } from "./tried";

export const needAfter = tried(actions.needAfter);
