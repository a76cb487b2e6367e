"use client";
import * as actions from "@/server/office/provider-actions";
import { tried } from "./tried";

export const connectProvider = tried(actions.connectProvider, "quietly");
export const disconnectProvider = tried(actions.disconnectProvider);
