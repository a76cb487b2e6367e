import { formatMoment } from "@/core/calendar/format-moment";
import type { SentMessage } from "@/data/office/outbox";

/** Mail that would have been sent: the stand-in keeps it, and the office hands over what it says. */
export function OutboxCard({
  messages,
  mails,
  zone,
  now,
}: {
  messages: SentMessage[];
  /** Whether messages leave by mail. */
  mails: boolean;
  zone: string;
  now: Date;
}) {
  return (
    <section aria-labelledby="outbox" className="rounded-card border border-line bg-card p-5">
      <h2 id="outbox" className="font-semibold">
        Outbox
      </h2>
      <p className="mt-1 text-[13px] text-ink-soft">
        {mails
          ? "Messages go by mail. Those that could not be sent are tried again."
          : "Mail is not connected: messages stay here, and nothing leaves the school."}
      </p>
      {messages.length === 0 ? (
        <p className="mt-2 text-ink-soft">Nothing has been sent.</p>
      ) : (
        <ul className="mt-2 grid max-h-72 gap-2 overflow-auto" tabIndex={0} aria-label="Messages">
          {messages.map((message) => (
            <li key={message.id} className="rounded-card border border-line p-3">
              <p className="text-[13px] text-ink-soft">
                to {message.toName}, {message.toAddress} · {formatMoment(message.at, zone, now)}
                {mails && ` · ${message.sent ? "sent" : message.problem ? "not sent yet" : "on its way"}`}
              </p>
              <p className="font-semibold">{message.subject}</p>
              <p className="[overflow-wrap:anywhere]">{message.body}</p>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
