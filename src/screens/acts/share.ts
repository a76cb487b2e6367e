import * as actions from "@/server/share/share-actions";
import { tried } from "./tried";

export const lookAtSharing = tried(actions.lookAtSharing, "quietly");
export const shareResources = tried(actions.shareResources);
export const takeFromShelf = tried(actions.takeFromShelf);
export const takeOutPart = tried(actions.takeOutPart);
