"use client";
import * as actions from "@/server/office/leaving-actions";
import { tried } from "./tried";

export const handOver = tried(actions.handOver);
export const markAsReturned = tried(actions.markAsReturned);
export const markAsLeft = tried(actions.markAsLeft);
export const takeHandingBack = tried(actions.takeHandingBack);
