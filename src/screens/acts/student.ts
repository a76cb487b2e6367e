"use client";
import * as actions from "@/server/student/student-actions";
import { tried } from "./tried";

export const beginQuestion = tried(actions.beginQuestion, "quietly");
export const checkAnswer = tried(actions.checkAnswer, "quietly");
export const handIn = tried(actions.handIn, "quietly");
export const joinClass = tried(actions.joinClass, "quietly");
export const readCode = tried(actions.readCode, "quietly");
export const signInWithPictures = tried(actions.signInWithPictures, "quietly");
export const signInWithWords = tried(actions.signInWithWords, "quietly");
export const tryAgain = tried(actions.tryAgain, "quietly");
