import * as actions from "@/server/share/report-actions";
import { tried } from "./tried";

export const reportResource = tried(actions.reportResource, "quietly");
export const decideReport = tried(actions.decideReport);
