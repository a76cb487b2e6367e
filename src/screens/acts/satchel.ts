"use client";
import * as actions from "@/server/satchel/satchel-actions";
import { tried } from "./tried";

export const packAgain = tried(actions.packAgain);
export const packResource = tried(actions.packResource);
export const tagResources = tried(actions.tagResources);
export const unpackResources = tried(actions.unpackResources);
