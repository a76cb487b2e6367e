export function Brand() {
  return (
    <span className="flex items-center gap-2.5 font-serif text-[21px] whitespace-nowrap">
      {/* eslint-disable-next-line @next/next/no-img-element */}
      <img src="/satchel.svg" alt="" width={26} height={26} /> <span className="max-md:heard">Golden Satchel</span>
    </span>
  );
}
