"use client";
import * as actions from "@/server/student/badge-actions";
import { tried } from "./tried";

export const chooseBadge = tried(actions.chooseBadge, "quietly");
