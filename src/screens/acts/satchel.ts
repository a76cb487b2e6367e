"use client";
import * as actions from "@/server/actions/satchel";
import { tried } from "./tried";

export const arrangePockets = tried(actions.arrangePockets);
export const changePocket = tried(actions.changePocket);
export const makePocket = tried(actions.makePocket);
export const packAgain = tried(actions.packAgain);
export const packResource = tried(actions.packResource);
export const putIntoPocket = tried(actions.putIntoPocket);
export const removePocket = tried(actions.removePocket);
export const tagResources = tried(actions.tagResources);
export const takeOutOfPocket = tried(actions.takeOutOfPocket);
export const unpackResources = tried(actions.unpackResources);
export const orderPocket = tried(actions.orderPocket);
