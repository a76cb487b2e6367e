import * as actions from "@/server/actions/share";
import { tried } from "./tried";

export const lookAtSharing = tried(actions.lookAtSharing, "quietly");
export const shareResources = tried(actions.shareResources);
export const takeFromShelf = tried(actions.takeFromShelf);
