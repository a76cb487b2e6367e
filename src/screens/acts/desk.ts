import * as actions from "@/server/actions/desk";
import { tried } from "./tried";

export const decideOffer = tried(actions.decideOffer);
export const removeFromShelf = tried(actions.removeFromShelf);
