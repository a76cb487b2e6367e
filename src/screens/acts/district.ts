"use client";
import * as actions from "@/server/office/district-actions";
import { tried } from "./tried";

export const addSchool = tried(actions.addSchool, "quietly");
export const giveOffice = tried(actions.giveOffice, "quietly");
