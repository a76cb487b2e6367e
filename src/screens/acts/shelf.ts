"use client";
import * as actions from "@/server/reading/shelf-actions";
import { tried } from "./tried";

export const closeReadingShelf = tried(actions.closeReadingShelf);
export const lookAtFilling = tried(actions.lookAtFilling, "quietly");
export const openReadingShelf = tried(actions.openReadingShelf, "quietly");
export const putAtTop = tried(actions.putAtTop);
