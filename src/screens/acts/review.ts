"use client";
import * as child from "@/server/review/child-actions";
import * as actions from "@/server/review/review-actions";
import { tried } from "./tried";

export const sendPieceOf = tried(child.sendPieceOf);
export const replyToPiece = tried(child.replyToPiece);
export const decide = tried(actions.decide);
export const takeBack = tried(actions.takeBack);
export const decideAboutReply = tried(actions.decideAboutReply);
export const keepPhrases = tried(actions.keepPhrases);
