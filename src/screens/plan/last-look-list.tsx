import { Notice } from "@/ui/notice";

/** What the last look says of other times, while they are chosen. */
export const LastLookList = ({ texts }: { texts: readonly string[] }) =>
  texts.length > 0 && (
    <ul aria-label="Last look" className="grid max-h-60 gap-2 overflow-auto">
      {texts.map((text) => (
        <li key={text}>
          <Notice className="text-[14px]">{text}</Notice>
        </li>
      ))}
    </ul>
  );
