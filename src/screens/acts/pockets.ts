"use client";
import * as actions from "@/server/satchel/pockets-actions";
import { tried } from "./tried";

export const arrangePockets = tried(actions.arrangePockets);
export const changePocket = tried(actions.changePocket);
export const keepTogether = tried(actions.keepTogether);
export const leavePocket = tried(actions.leavePocket);
export const lookWhoKeeps = tried(actions.lookWhoKeeps);
export const makePocket = tried(actions.makePocket);
export const movePocketItem = tried(actions.movePocketItem);
export const packIntoPocket = tried(actions.packIntoPocket);
export const pocketsToFill = tried(actions.pocketsToFill);
export const putIntoPocket = tried(actions.putIntoPocket);
export const removePocket = tried(actions.removePocket);
export const takeOutOfPocket = tried(actions.takeOutOfPocket);
