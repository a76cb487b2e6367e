import { Empty } from "@/ui/empty";

export function NoClasses() {
  return <Empty title="You have no class just now">The school office adds you to one, or to one you cover.</Empty>;
}
