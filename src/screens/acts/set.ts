import * as actions from "@/server/share/set-actions";
import { tried } from "./tried";

export const lookForSet = tried(actions.lookForSet, "quietly");
export const saveSet = tried(actions.saveSet, "quietly");
export const moveSet = tried(actions.moveSet);
export const removeSet = tried(actions.removeSet);
export const describePartner = tried(actions.describePartner);
