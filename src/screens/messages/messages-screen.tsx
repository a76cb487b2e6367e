import { formatMoment } from "@/core/calendar/format-moment";
import type { SentMessage } from "@/data/office/outbox";

function List({
  title,
  messages,
  who,
  zone,
  now,
}: {
  title: string;
  messages: SentMessage[];
  who: (message: SentMessage) => string;
  zone: string;
  now: Date;
}) {
  return (
    <section aria-label={title}>
      <h2 className="mb-2 font-semibold">{title}</h2>
      {messages.length === 0 && <p className="text-ink-soft">None.</p>}
      <ul className="grid gap-2">
        {messages.map((message) => (
          <li key={message.id} className="rounded-card border border-line bg-card p-4">
            <p className="text-[13px] text-ink-soft">
              {who(message)} · {formatMoment(message.at, zone, now)}
            </p>
            <p className="font-semibold">{message.subject}</p>
            <p>{message.body}</p>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What would be sent by mail: nothing leaves this application, it is kept here to be read. */
export function MessagesScreen({
  sent,
  received,
  mails,
  zone,
  now,
}: {
  sent: SentMessage[];
  received: SentMessage[];
  /** Whether messages leave by mail. */
  mails: boolean;
  zone: string;
  now: Date;
}) {
  return (
    <div className="h-full overflow-auto">
      <div className="mx-auto max-w-5xl px-6 py-5">
        <h1 className="font-serif text-[22px]">Messages</h1>
        {!mails && (
          <p className="mb-5 text-ink-soft">
            Mail is not connected: messages stay here, and nothing leaves the school.
          </p>
        )}
        <div className="grid items-start gap-6 lg:grid-cols-2">
          <List title="To me" messages={received} who={({ from }) => `from ${from}`} zone={zone} now={now} />
          <List
            title="Sent by me"
            messages={sent}
            who={({ toName, toAddress }) => `to ${toName}, ${toAddress}`}
            zone={zone}
            now={now}
          />
        </div>
      </div>
    </div>
  );
}
