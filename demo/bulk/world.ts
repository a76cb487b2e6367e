/** What the generated lessons are about: the shores, trades and creatures of northern islands, all invented places. */
export const places = [
  "Gannet Stack", "Otter Voe", "Long Skerry", "Saltholm", "Mussel Bight", "Keeper's Point", "Herring Sound", "Bell Rock Bay", "Thrift Head",
  "Kelp Cove", "North Landing", "Selkie Sands", "Driftwood Beach", "Old Quay", "Windy Ness", "Heron Marsh", "Lantern Hill", "Cod Harbour",
  "Pebble Spit", "Tern Island", "Whalebone Arch", "Marram Dunes", "Ferry Slip", "Boatyard Lane",
] as const;

export const birds = ["puffins", "gannets", "terns", "kittiwakes", "eider ducks", "oystercatchers", "cormorants", "gulls", "skuas", "razorbills"] as const;
export const seaLife = ["seals", "crabs", "mussels", "limpets", "starfish", "herring", "jellyfish", "sea urchins", "lobsters", "otters"] as const;
export const boats = ["ferry", "skiff", "trawler", "pilot boat", "lifeboat", "rowing boat", "mail boat", "sailing dinghy"] as const;
export const goods = ["ropes", "oilskins", "lanterns", "crates of fish", "bags of wool", "jars of honey", "loaves", "paddles", "nets", "candles"] as const;
export const weather = ["fog", "gale", "drizzle", "frost", "thunder", "sea breeze", "hail", "calm"] as const;
export const crafts = ["knitting", "boat building", "net mending", "basket weaving", "rope making", "weaving", "carving", "sail making"] as const;
export const keepers = ["the keeper's daughter", "the old skipper", "the ferry pilot", "a young knitter", "the shepherd", "the boat builder", "two cousins", "the bell ringer"] as const;
export const journeys = ["a crossing in fog", "the first day of herring", "a lamp that would not light", "the lost oar", "a storm at night", "the sheep on the skerry", "the message in the net", "the longest day"] as const;

export const givenNames = ["Arvid", "Bexley", "Corin", "Dagny", "Eskil", "Fenna", "Greta", "Hamish", "Ingrid", "Jorun", "Keir", "Lumi", "Maren", "Niall", "Orla", "Petra", "Quill", "Runa", "Sorley", "Tamsin", "Ulla", "Vigdis", "Wren", "Ylva"] as const;
export const familyNames = ["Ashdown", "Brekke", "Calloway", "Drever", "Ellingsen", "Fairlie", "Garrick", "Holm", "Inkster", "Jamieson", "Kvale", "Linklater", "Marwick", "Norquoy", "Oddie", "Peerie", "Quoyle", "Rendall", "Sinclay", "Tulloch", "Ulvik", "Velzian", "Westray", "Yorston"] as const;
