/**
 * The 256 words of link codes: birds, weather, shore and rope. They are for people to tell doors apart;
 * chance comes from what follows them. No two look alike once o reads as 0 and i, l as 1.
 */
export const LINK_WORDS: readonly string[] = `
heron gannet puffin plover curlew dunlin osprey merlin kestrel falcon petrel fulmar skua tern avocet godwit
whimbrel redshank turnstone sanderling lapwing bittern egret cormorant guillemot kittiwake razorbill albatross pelican pipit wagtail linnet
siskin bunting finch sparrow starling swallow martin swift thrush robin wren dipper nuthatch jackdaw raven rook
magpie jay cuckoo nightjar woodcock snipe grouse partridge ptarmigan pheasant swan goose mallard teal wigeon pintail
eider pochard scoter smew goshawk buzzard harrier kite hobby warbler grebe diver coot moorhen corncrake crane
breeze gale squall zephyr monsoon tempest drizzle shower thunder rainbow sunbeam frost hoarfrost icicle snowdrift blizzard
cirrus stratus cumulus nimbus overcast daybreak twilight sunrise moonrise starlight haze mist vapour dewdrop hailstone sleet
thaw current eddy whirlpool ripple breaker comber swell seafoam undertow slack neap springtide highwater lowwater seiche
harbour dockside jetty quay wharf pier slipway mooring anchor beacon lighthouse foghorn buoy channel estuary lagoon
inlet fjord atoll skerry headland foreshore sandbar shoal reef cliff cavern dune marsh meadow pebble shingle
boulder driftwood seaweed kelp dulse samphire limpet mussel abalone whelk barnacle urchin starfish crab lobster shrimp
oyster scallop periwinkle anemone jellyfish herring mackerel haddock pollock salmon turbot plaice sturgeon dolphin porpoise otter
bowline cleat halyard hawser lanyard marline ratline shackle sheepshank splice toggle windlass capstan bobstay clewline downhaul
fender gangway gunwale keel rudder tiller transom thwart rowlock mainsail spinnaker topsail jib genoa lugger ketch
yawl sloop schooner dory skiff cutter frigate galleon compass sextant almanac chart fathom league knot leadline
binnacle bulkhead bollard ballast bilge boom bowsprit crosstree rigging forestay gaff grommet hatch helm hull mizzen
`
  .trim()
  .split(/\s+/);
