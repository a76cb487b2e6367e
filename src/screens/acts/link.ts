import * as actions from "@/server/share/link-actions";
import { tried } from "./tried";

export const lookAtLinks = tried(actions.lookAtLinks, "quietly");
export const makeLink = tried(actions.makeLink, "quietly");
export const endLink = tried(actions.endLink);
export const takeFromLink = tried(actions.takeFromLink);
