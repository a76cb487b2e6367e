"use client";
import * as actions from "@/server/adapt/adapt-actions";
import { tried } from "./tried";

export const adaptResource = tried(actions.adaptResource);
export const archiveResource = tried(actions.archiveResource);
export const copyWithoutVoices = tried(actions.copyWithoutVoices);
export const duplicateResources = tried(actions.duplicateResources);
export const goOnFromFile = tried(actions.goOnFromFile);
export const goOnFromSource = tried(actions.goOnFromSource);
export const makeResource = tried(actions.makeResource);
export const makeVersion = tried(actions.makeVersion);
export const publishDraft = tried(actions.publishDraft);
export const saveDraft = tried(actions.saveDraft, "quietly");
export const offerDraft = tried(actions.offerDraft);
export const withdrawDraft = tried(actions.withdrawDraft);
