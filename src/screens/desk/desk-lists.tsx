"use client";
import { Segmented } from "@/ui/segmented";
import type { DeskList } from "@/server/share/desk";
import { useAddress } from "../use-address";

/** The lists of a desk: offers by what became of them, and what readers reported. */
export function DeskLists({ list, reports }: { list: DeskList | "reports" | "sets"; reports: number }) {
  const { go } = useAddress();
  return (
    <Segmented
      label="Which list"
      value={list}
      options={[
        { value: "waiting", text: "waiting" },
        { value: "returned", text: "sent back" },
        { value: "decided", text: "decided" },
        { value: "reports", text: reports > 0 ? `reports (${reports})` : "reports" },
        { value: "sets", text: "sets" },
      ]}
      onChange={(next) => go({ list: next === "waiting" ? null : next, offer: null, step: null }, "push")}
    />
  );
}
