import * as actions from "@/server/share/give-actions";
import { tried } from "./tried";

export const giveToColleagues = tried(actions.giveToColleagues);
export const lookAtGiven = tried(actions.lookAtGiven, "quietly");
export const formatThanks = tried(actions.formatThanks);
export const takeBackGiven = tried(actions.takeBackGiven);
