"use client";
import * as actions from "@/server/office/child-record-actions";
import { tried } from "./tried";

export const deleteChildRecords = tried(actions.deleteChildRecords);
export const keepChildRules = tried(actions.keepChildRules);
export const keepConsent = tried(actions.keepConsent);
