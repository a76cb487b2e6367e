"use client";
import * as actions from "@/server/portfolio/portfolio-actions";
import { tried } from "./tried";

export const putIntoPortfolio = tried(actions.putIntoPortfolio, "quietly");
export const takeOutOfPortfolio = tried(actions.takeOutOfPortfolio, "quietly");
export const putBackIntoPortfolio = tried(actions.putBackIntoPortfolio, "quietly");
export const showPortfolio = tried(actions.showPortfolio, "quietly");
export const endShowing = tried(actions.endShowing, "quietly");
