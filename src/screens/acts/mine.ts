"use client";
import * as actions from "@/server/portfolio/child-actions";
import { tried } from "./tried";

export const chooseAsMine = tried(actions.chooseAsMine, "quietly");
export const giveReason = tried(actions.giveReason, "quietly");
export const setInPortfolio = tried(actions.setInPortfolio, "quietly");
