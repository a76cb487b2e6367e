"use client";
import * as actions from "@/server/classes/groups-actions";
import { tried } from "./tried";

export const keepApart = tried(actions.keepApart);
export const keepGroups = tried(actions.keepGroups);
export const keepSeats = tried(actions.keepSeats);
