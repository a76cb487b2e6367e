"use client";
import * as actions from "@/server/office/moving-actions";
import { tried } from "./tried";

export const putInClass = tried(actions.putInClass);
export const sendChild = tried(actions.sendChild);
