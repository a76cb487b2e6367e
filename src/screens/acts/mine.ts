"use client";
import * as actions from "@/server/student/mine-actions";
import { tried } from "./tried";

export const chooseAsMine = tried(actions.chooseAsMine, "quietly");
export const chooseBadge = tried(actions.chooseBadge, "quietly");
