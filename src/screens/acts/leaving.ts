"use client";
import * as actions from "@/server/office/leaving-actions";
import { tried } from "./tried";

export const handOver = tried(actions.handOver);
export const sayBack = tried(actions.sayBack);
export const sayLeft = tried(actions.sayLeft);
export const takeHandingBack = tried(actions.takeHandingBack);
