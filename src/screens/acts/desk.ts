import * as actions from "@/server/share/desk-actions";
import { tried } from "./tried";

export const decideOffer = tried(actions.decideOffer);
export const removeFromShelf = tried(actions.removeFromShelf);
