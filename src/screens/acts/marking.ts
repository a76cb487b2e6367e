"use client";
import * as actions from "@/server/marking/marking-actions";
import { tried } from "./tried";

export const giveMark = tried(actions.giveMark);
export const withdrawMark = tried(actions.withdrawMark);
export const settleMark = tried(actions.settleMark);
export const chooseWay = tried(actions.chooseWay);
export const keepRubric = tried(actions.keepRubric);
export const putRubricAway = tried(actions.putRubricAway);
