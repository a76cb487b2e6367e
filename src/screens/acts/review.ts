"use client";
import * as actions from "@/server/review/review-actions";
import { tried } from "./tried";

export const decide = tried(actions.decide);
export const takeBack = tried(actions.takeBack);
export const decideAboutReply = tried(actions.decideAboutReply);
export const keepPhrases = tried(actions.keepPhrases);
