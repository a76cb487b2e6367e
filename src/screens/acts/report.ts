import * as actions from "@/server/actions/report";
import { tried } from "./tried";

export const reportResource = tried(actions.reportResource);
export const decideReport = tried(actions.decideReport);
