import dynamic from "next/dynamic";

/** Maths, loaded only where there is some: most pages have none, and setting it takes more code than all else on them. */
export const Maths = dynamic(() => import("./maths").then((loaded) => loaded.Maths));
