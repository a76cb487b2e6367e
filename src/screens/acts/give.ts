import * as actions from "@/server/actions/give";
import { tried } from "./tried";

export const giveToColleagues = tried(actions.giveToColleagues);
export const lookAtGiven = tried(actions.lookAtGiven, "quietly");
export const sayThanks = tried(actions.sayThanks);
export const takeBackGiven = tried(actions.takeBackGiven);
