"use client";
import * as actions from "@/server/lti/lti-actions";
import { tried } from "./tried";

export const connectSystem = tried(actions.connectSystem);
export const disconnectSystem = tried(actions.disconnectSystem);
export const linkCourseToClass = tried(actions.linkCourseToClass);
export const sendToCourse = tried(actions.sendToCourse);
export const sendPocketToCourse = tried(actions.sendPocketToCourse);
