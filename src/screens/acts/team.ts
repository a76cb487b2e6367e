import * as actions from "@/server/share/team-actions";
import { tried } from "./tried";

export const makeTeam = tried(actions.makeTeam, "quietly");
export const changeTeam = tried(actions.changeTeam, "quietly");
export const givePart = tried(actions.givePart);
export const readyPart = tried(actions.readyPart);
