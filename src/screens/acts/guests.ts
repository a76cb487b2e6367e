"use client";
import * as actions from "@/server/classes/guest-actions";
import { tried } from "./tried";

export const comeAsGuest = tried(actions.comeAsGuest, "quietly");
export const endGuestLink = tried(actions.endGuestLink);
export const lookAtGuests = tried(actions.lookAtGuests, "quietly");
export const makeGuestLink = tried(actions.makeGuestLink);
export const moveGuestWork = tried(actions.moveGuestWork, "quietly");
