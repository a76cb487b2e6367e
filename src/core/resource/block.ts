export type { Block, BlockOf, FilmStop } from "./schema/block";
