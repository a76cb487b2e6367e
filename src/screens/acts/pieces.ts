"use client";
import * as actions from "@/server/review/child-actions";
import { tried } from "./tried";

export const sendPieceOf = tried(actions.sendPieceOf, "quietly");
export const replyToPiece = tried(actions.replyToPiece, "quietly");
