"use client";
import * as actions from "@/server/classes/classes-actions";
import { tried } from "./tried";

export const endFeed = tried(actions.endFeed);
export const endJoinCode = tried(actions.endJoinCode);
export const makeFeed = tried(actions.makeFeed);
export const startJoinCode = tried(actions.startJoinCode);
