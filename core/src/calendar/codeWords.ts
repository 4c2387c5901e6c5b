/** Words of codes beside those of made-up names: common, easy to say and spell, none like another. */
export const moreFirst =
  "airy ample ashen balmy breezy brindle broad buoyant bushy cheery clever copper crisp dapper dappled downy eager evening flinty foggy frosty gilded golden grassy handy honest humble indigo leafy mellow merry mossy olive patient rosy rustic sandy steady sunny wooden".split(
    " ",
  );
export const moreSecond =
  "alder badger basket bramble breeze bridge brook bucket candle canoe castle clover cobble compass corner cottage curlew ferry finch garden ginger hamlet harbour hedge hillock kestrel ladder linnet meadow minnow orchard paddle parsley plover plum raven saddle spindle timber tunnel".split(
    " ",
  );
