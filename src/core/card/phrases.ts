/**
 * Phrases of a line that are claimed whole, before its amounts and its name: what it is for, when it goes in, sizes and
 * degrees.
 */

/** Where it goes that is not the batter. Each takes the text to its end, or to the next comma or bracket. */
const PAN =
  /[\s,(–—-]*\b(?:for|to)\s+(?:(?:the|a|your|brushing(?!\s+(?:over|on|between|onto|each|every|them|warm|the\s+(?!pan|griddle|iron|skillet|grill|plate|tin|mould|tray|well|hole)))|greasing|oiling|wiping|lightly|cr[eê]pe|pancake|blini|frying|baking|roasting|oven|sheet|cake|muffin|hot|heavy|large|small|non-?stick|cast[\s-]iron)\s+)*(?:pans?|griddle|skillet|irons?|waffle[\s-]?irons?|frying|fry|greasing|grease|(?:brushing|brush)(?!\s+(?:over|on|between|onto|each|every|them|warm|the\s+(?!pan|griddle|iron|skillet|grill|plate|tin|mould|tray|well|hole)))|oiling|cooking|(?<=\bto\s+)cook|coating the pan|coat the pan|(?:baking|oven)[\s-](?:sheets?|trays?|dish)|trays?|tins?|moulds?|molds?|wells?|holes?|hollows?|dimples?|ball pan|shallow[\s-]frying|plate|(?<=\bfor\s+)(?:each|every)\s+(?:cr[eê]pe|pancake|waffle|cake|galette|blini|piece|one|batch|panful))\b(?!\s+(?:apples?|sauce|syrup))[^()\d]*\)?\s*$/i;
const TOPPING =
  /[\s,(–—-]*(?:\b(?:for|to)\s+(?:the\s+)?(?:serving|serve|topping|top|(?:dusting|dust)(?!\s+(?:the\s+|my\s+|your\s+)?(?:boards?|bench|work|surface|counter|table|hands|trays?|linen|rolling))|drizzling|drizzle|garnish|garnishing|dollop(?:ing)?|shaving|grating over|caramelis(?:e|ing)|carameliz(?:e|ing)|(?<=\bcream\b[^()\d]{0,12}\b(?:for|to)\s+)whip(?:ping)?|(?:(?:the|an?)\s+)?(?:egg[\s-]?)?wash|glazing|glaze over|(?<=\bto\s+)(?:glaze|spread)|brush(?:ing)?\s+(?:over|on|between|onto|each|every|the\s+(?!pan|griddle|iron|skillet|grill|plate|tin|mould|tray|well|hole)|them|warm|hot\s+(?!pan|griddle|iron|skillet))|sprinkle|scatter|squeeze over|decorate|decorating|decoration|sprinkling|spreading|finish|finishing|pouring over|spooning over|the table|eat(?:ing)?|spread on top)\b[^()\d]*|\b(?:on top|on the side|alongside|at the table)\b[^()\d]*)\)?\s*$/i;
const PANS = '(?:pans?|skillets?|griddles?|irons?|tins?|moulds?|molds?|hollows?|wells?|woks?|fryers?|plates?)';
const OF_IT = '(?:(?:the|a|an|your|my|each|every|hot|crepe|waffle|frying|cast[\\s-]iron|non-?stick)\\s+)*';
/**
 * Fat that fries: deep, or as a film; and what is in the pan before the batter. What is melted there goes on into the
 * batter.
 */
const PAN_MORE = new RegExp(
  `[\\s,(–—-]*(?:\\b(?:for|to)\\s+(?:deep|shallow)[\\s-]?fry(?:ing)?\\b|\\b(?:for|to)\\s+(?:butter|oil|grease|line|coat|rub|brush)(?:ing)?\\s+${OF_IT}dish(?:es)?\\b|\\b(?:for|to)\\s+(?!go\\b|the\\b|melt|brown|warm)\\p{L}{3,}\\s+${OF_IT}${PANS}\\b|(?<!\\b(?:melted|browned|warmed|heated|cooked|toasted|fried|softened)\\s)\\b(?:in|on|into|onto|round|around)\\s+(?!the\\s+well\\b)${OF_IT}${PANS}\\b(?!\\s+(?:drippings|juices)))[^()\\d]*\\)?\\s*$`,
  'iu',
);
/** What goes on or over the piece, or what it is turned in. */
const TOPPING_MORE =
  /[\s,(–—-]*(?:\b(?:for|to)\s+(?:the\s+)?(?:rolling(?:\s+(?:them\s+)?in)?|roll\s+(?:them\s+)?in|tossing(?!\s+(?:the|my)\b)(?:\s+(?:them\s+)?in)?|toss\s+them\s+in|drown(?:ing)?\s+(?:them|it)\s+in|dredging|dredge|coating|dipping|dip|crowning|strewing|strew|pour(?:ed)?\s+over|spoon\s+over|brush\s+over|go\s+(?:over|on(?:\s+top)?)|pass\s+(?:at|round)|put\s+on\s+(?:top|each)|drop(?:ping)?\s+(?:on|onto|over)|lay(?:ing)?\s+(?:on|over)|press(?:ing)?\s+(?:in|into\s+(?:the\s+)?tops?)|melt\s+over|melt\s+on\s+top)\b[^()\d]*|\b(?:over\s+the\s+top|on\s+each\s+(?:plate|piece|pancake|one)|poured\s+over\s+(?:at\s+the\s+end|each|them))\b[^()\d]*)\)?\s*$/i;
/** What is never in the batter: inside the piece, in the steamer, for somebody else. */
export const BESIDE =
  /[\s,(–—-]*(?:\b(?:for|to)\s+(?:the\s+|my\s+|our\s+)?(?:(go\s+inside|go\s+in(?=\s*\)?\s*$)|go\s+in\s+the\s+middle|lay(?:ing)?\s+in(?!\s+the\s+batter)|seal(?:ing)?(?:\s+(?:them|the\s+edges?))?|between(?:\s+the\s+layers)?(?=\s*\)?\s*$)|(?:roll|wrap|fold|tuck)\s+(?:up\s+)?inside|stuff(?:ing)?|fill(?:ing)?(?:\s+them)?|the\s+inside|inside|(?:the\s+)?(?:middle|centre|center)|melt\s+(?:inside|in\s+the\s+middle)|sandwich(?:ing)?(?:\s+(?:them|together))?|layering)|(?:the\s+)?(steamer|steaming|double\s+boiler|bain-?marie|water\s+bath|boiling|poaching|scalding|(?:macerat(?:e|ing)|sweeten(?:ing)?|stew(?:ing)?|simmer(?:ing)?|thicken(?:ing)?|mak(?:e|ing))\s+(?:the\s+|a\s+)(?:(?:straw|blue|rasp|black)?berries|fruit|apples?|pears?|plums?|peaches|sauce|syrup|compote|glaze|filling|cream|custard|jam|gravy)|(?<=\bwater\b[^()\d]{0,20}\bto\s+)(?:(?:boil|poach|steam|blanch)(?:\s+(?:the\s+|my\s+)?\p{L}+|(?=\s*\)?\s*$))|(?:cool|chill)\s+(?:the\s+|my\s+)?\p{L}+)|(?:(?:dusting|dust|flouring|flour|rolling\s+out\s+on)\s+)?(?:the\s+|my\s+|your\s+)?(?:boards?|bench|work\s*(?:top|surface)?|surface|counter|table\s*top|hands|linen|rolling(?:\s+pin|\s+out)?)|(?:(?:cooking|boiling|steaming|poaching|pasta|bath)\s+)?water|kneading|flouring|dog|cat|birds?|chickens|hens|(?<=\bfor\s+(?:the\s+|my\s+)?)cook|next\s+time|later|tomorrow|another\s+\p{L}+|drinking|washing\s+up))\b|\b(not\s+(?:used|needed|in\s+the\s+batter|for\s+the\s+batter)|left\s+over|unused)\b)[^()\d]*\)?\s*$/iu;
/** Nouns that a tail "for the ..." may name and still be the batter's. */
export const BATTERS =
  /^(?:batter|pancakes?|waffles?|cr[eê]pes?|cakes?|griddle|dough|mix|mixture|base|flour|wet|dry|first|second|whole|best|recipe|eggs?|whites?|yolks?|day|morning|bowl|sponge|rise|lift|acid|flavou?r|colou?r|taste|crust|crumb|texture|sweetness|kids|children|batch|lot|rest|starter|poolish|ferment|foam|meringue)$/i;
/** A remark in brackets about what is left, or what would do as well: no name of this line. */
export const REMARK =
  /\(\s*(?:(?:or|and)\s+(?:a\s+(?:little|bit)\s+)?(?:less|more)(?:\s+to\s+taste)?|(?:a\s+(?:little|bit)\s+)?(?:less|more|half|none|leave\s+out)\s+(?:of\s+it\s+)?(?:if|when|for|in|with)\b[^()\d]*|[\p{L} ]{2,30}\s+(?:if|when|where)\s+(?:you|i|we|there|it|that)\b[^()\d]*|(?:i|we|my|mine|you)\s+[\p{L}’']+\s(?![^()]*\b(?:less|more|half|third|quarter|double|twice|only|instead|rather|whole|wholemeal|rye|spelt|brown|skim|oat)\b)[^()\d]*|(?:the\s+)?(?:juice|zest|rind|peel|pulp|whites?|yolks?|rest|other|stalks?|stones?|skins?|greens?)\s+(?:for|in|into|on|to|with)\s+[^()\d]*|(?=[^()]*\byolks?\b)(?=[^()]*\bwhites?\b)[^()\d]*|never\s+[^()\d]*|(?:please\s+)?(?:keep|save|saving|reserve|reserving|freeze|discard|throw(?:\s+away)?|use)\s+(?:the|those|that|what|any|its|rest|(?:egg\s+)?(?:yolk|white)s?)\b[^()\d]*|(?:the\s+)?[\p{L} ]{2,30}\s+(?:saved|kept|reserved|discarded|frozen|put\s+(?:aside|by)|set\s+aside)(?:\s+for\s+[\p{L} ]{2,40})?|[\p{L} ]{2,30}\s+(?:works?|will\s+do|is\s+fine)|[\p{L} ]{2,30}\s+(?:go|goes|are|is)\s+(?:elsewhere|for|into)\b[^()\d]*|(?:i|we)\s+(?:like|prefer|love|swear\s+by)\b[^()\d]*|(?:leave|omit|skip|drop)\s+(?:(?:it|this|them|these)\s+)?(?:out\s+)?(?:for|if|when|in|with)\b[^()\d]*|(?:for\s+)?(?:the\s+)?(?:sweet|savou?ry)(?:\s+(?:ones?|versions?|batter|kind|pancakes|waffles|cr[eê]pes))?\s+only|only\s+(?:for|if|in|with)\b[^()\d]*|[\p{L} ]{2,30}\s+(?:is|are|works?|will|would|does|can\s+be)\s+(?:also\s+|just\s+)?(?:as\s+)?(?:fine|ok|okay|good|well|too|do|work|used)(?:\s+(?:too|as\s+well|here|instead))?)\s*\)/giu;

/** "sifted 3 times". */
export const SIFTED_OFTEN = /\b(?:sifted|sieved)\s+(?:\d|two|three|four)\s+times\b/gi;

/** "(about 3 medium)": how many were needed, in a bracket with no unit. */
export const SO_MANY =
  /\(\s*(?:from\s+)?[\d½¼¾/]+(?:\s+(?:small|medium|large|whole|ripe))+(?:\s+(?:bananas?|apples?|lemons?|limes?|oranges?|pears?|potato(?:es)?|carrots?|courgettes?|zucchini))?\s*\)|\(\s*(?:from\s+)?[\d½¼¾/]+\s+(?:bananas?|apples?|lemons?|limes?|oranges?|pears?|potato(?:es)?|carrots?|courgettes?|zucchini)\s*\)|\(\s*from\s+[\d½¼¾/]+(?:\s+\p{L}+){1,2}\s*\)|\(\s*from\s+an?\s[^()]{2,30}\)|\(\s*(?:from\s+)?(?:about|approx(?:imately|\.)?|roughly|around|~|≈)\s*\d+(?:\s*(?:-|–|to|or)\s*\d+)?(?:\s+(?:small|medium|large|whole|ripe))*\s*\)/giu;

/** "2 whites, yolks kept for custard": what becomes of the other half of the egg, past a comma. */
export const OTHER_HALF =
  /,\s*(?:(?:keep|save|reserve|freeze|discard)\s+(?:the\s+)?(?:egg\s+)?(?:yolks?|whites?)|(?:the\s+)?(?:egg\s+)?(?:yolks?|whites?)\s+(?:saved|kept|reserved|discarded|frozen|put\s+(?:aside|by)|set\s+aside|(?=for\s+(?!(?:the|this)\s+batter)\p{L})))(?:\s*for\s+[\p{L} ]{2,40})?[.!]?\s*$/iu;

/** The same in the other languages of the names. */
const PAN_ABROAD =
  /[\s,(–—-]*(?:\b(?:zum|für['’]?s|für (?:die|das|den|eine?)|zur)\s+(?:ausbacken|ausbraten|braten|einfetten|fetten|einpinseln|bepinseln|frittieren|backen|pfannen?|form|blech|backblech|waffeleisen|eisen|anbraten)|\bpour\s+(?:la\s+(?:poêle|poele|cuisson|friture|plaque|crêpière)|les?\s+(?:moules?|gaufrier|fer)|graisser|huiler|beurrer|cuire|frire)|\bpara\s+(?:la\s+(?:sart[eé]n|plancha|gofrera)|fre[ií]r|engrasar|(?<!\bqueso\s+para\s+)untar)|\bper\s+(?:la\s+padella|ungere|friggere)|\b(?:om\s+in\s+te\s+bakken|voor\s+(?:de\s+pan|het\s+bakken))|\btil\s+(?:stegning|steking|panden|pannen)|\btill\s+(?:stekning|pannan))(?![\p{L}])[^()\d]*\)?\s*$/iu;
const TOPPING_ABROAD =
  /[\s,(–—-]*(?:\bzum\s+(?:servieren|bestreuen|best[aä]uben|garnieren)|\bpour\s+(?:servir|saupoudrer|garnir|d[eé]corer|le\s+dessus|la\s+d[eé]coration)|\bpara\s+(?:servir|espolvorear|decorar)|\bper\s+(?:servire|spolverare|guarnire)|\b(?:om\s+te\s+(?:serveren|bestrooien)|voor\s+erbij)|\btil\s+(?:servering|pynt|drys)|\btill\s+servering)(?![\p{L}])[^()\d]*\)?\s*$/iu;
/** Tails that send a thing to the pan, tried in this order; and those that send it on top. */
export const PAN_TAILS = [PAN, PAN_MORE, PAN_ABROAD];
export const TOPPING_TAILS = [TOPPING, TOPPING_MORE, TOPPING_ABROAD];
export const PAN_FIRST =
  /^\s*(?:for|to)\s+(?:(?:the|a|your)\s+)?(?:pans?|griddle|skillet|irons?|waffle[\s-]?irons?|frying|fry|greasing|grease|cooking|brushing|oiling)(?:\s+the\s+(?:pans?|griddle|iron))?\s*[:,–—-]\s*/i;
export const TOPPING_FIRST =
  /^\s*(?:for|to)\s+(?:(?:the)\s+)?(?:serving|serve|topping|top|dusting|dust|drizzling|drizzle|garnish|decorate|sprinkling|finish|finishing)(?:\s+(?:on top|over))?\s*[:,–—-]\s*/i;
/** "for the apples", "for the sauce": what goes with the batter. */
export const SIDE =
  /[\s,(–—-]*\bfor\s+(?:the\s+|my\s+)?((?:(?:apple|lemon|berry|fruit|chocolate|caramel|cinnamon|whipped|maple|orange|cream cheese|vanilla|honey|savou?ry)\s+)?(?:apples?|sauce|glaze|filling|fillings|compote|syrup|icing|frosting|berries|bananas?|pears?|topping mix|crumble|streusel|whipped cream|whipped butter|custard|curd|caramel|fruit|swirl|drizzle))\s*\)?\s*$/i;
export const EXTRA =
  /[\s,]*(?:\(\s*)?(?:(?:\b(?:plus|and|with)\b|\+)\s+(?:(?:a\s+)?(?:little|bit|few|some)\s+(?:of\s+)?)?(?:more|extra|additional)\b|(?:\b(?:plus|and|with)\b|\+)\s+(?:a\s+(?:little|bit|touch|drop|dab|smear|knob)|some)\s+(?:of\s+(?:it|that|the same)\s+)?(?=(?:for|to)\b)|[,;]\s+(?:a\s+(?:little|bit)\s+)?(?:more|extra)\s+(?=(?:for|to)\b)|(?<=\p{L})\s+(?:more|extra)\s+(?=(?:for|to)\s+(?:the\s+)?(?:pan|griddle|skillet|(?:waffle\s+)?iron|fry|frying|grease|greasing|brush|brushing)\b)|,\s+(?:a\s+(?:little|bit|knob|dab|drop)|some)\s+(?=(?:for|to)\s+(?:the\s+)?(?:pan|griddle|skillet|iron|fry|frying|grease|greasing|brush|brushing|cook|cooking)\b)|(?:\b(?:plus|and)\b|[+&])\s+(?=(?:for|to)\s+(?:the\s+)?(?:pan|griddle|skillet|(?:waffle\s+)?iron|fry|greas|brush|dust|sprinkl|serv|dredg|coat|roll|dip|toss|dish|tin|mould|plate|board|bench|finish|drizzl|garnish))|(?:\b(?:plus|and)\b|\+)\s+a\s+(?:splash|drop|dash|touch)(?=\s*\)?\s*$|\s+(?:more\s+)?(?:if|when|in case)\b))(?![^)]*\d)[^)]*\)?\s*$/iu;
/** "Milk to make up to 500 ml": an amount of more than the thing. */
export const MADE_UP_TO =
  /\b(?:to (?:make|bring|top)(?: it)?|made|topped|brought)(?: it)? up (?:to|with)\b[^()]*\d[^()]*|\benough \p{L}+ to make\b[^()]*\d[^()]*|\bto (?:make|give) (?<=(?:\b(?:plus|and|with|topped up with)\b|\+)[^()\d]*)(?:up )?(?:to )?(?:about )?\d[^()]*/iu;
/** "+ etwas für die Pfanne", "más un poco para la plancha": what stands before it is for the batter. */
export const EXTRA_ABROAD =
  /[\s,]*(?:\(\s*)?(?:(?<!\p{L})(?:plus|und|et|y|más|mas)\s+|\+\s*)(?:(?=(?:zum|zur|fürs?|pour|para)\s)[^)\d]*|etwas|ein\s+(?:wenig|bisschen)|mehr|un\s+peu|un\s+poco|algo)(?:(?:\s+(?:mehr|plus|más|de más))?\s+(?:zum|zur|für|fürs|pour|para)(?!\p{L})[^)\d]*|(?:\s+(?:mehr|plus|más|extra|de plus))?)\)?\s*$/iu;
/** "Fürs Eiweiß", "pour la pâte": of the batter all the same. */
export const FOR_BATTER =
  /[\s,(]*(?<!\p{L})(?:fürs?|für (?:das|den|die)|zum|pour (?:l[ae]s?|monter les)|para (?:l[ao]s?|montar las|el))\s+(?:eiweiß|eischnee|eier|schnee|blancs|claras|\p{L}*teig|(?:pfann|eier)kuchen|waffeln|pâte|appareil|crêpes|galettes|gaufres|pancakes|masa|tortitas|crepes|gofres|panqueques)(?!\p{L})\s*\)?\s*$/iu;
/** "Equal weight of flour", "its weight in milk": as much as of what was told before. */
export const AS_MUCH_OF =
  /^\s*(?:(?:an?\s+)?equal\s+(?:weights?|amounts?|quantit(?:y|ies))(?:\s+(?:of|in))?|(?:the\s+)?same\s+(?:(?:weight|amount|quantity|again)(?:\s+(?:of|in))?|of)|(?:twice|double|half)\s+(?:that|as\s+much)(?:\s+(?:of|in))?|(?:its|their)\s+(?:own\s+)?weight\s+(?:in|of))\s+(?=\p{L})/iu;
/** "a cup of milk, or a little more". */
export const OR_MORE =
  /(?:[\s,(–—-]*\bor (?:a (?:little|bit|touch) |slightly )?more\b|[,(–—-]\s*(?:and\s+|plus\s+|(?:or\s+)?(?:maybe|perhaps|possibly|probably)\s+)?(?:a (?:little|bit|touch|splash|drop) )?more\b)(?:\s+(?:to taste|as needed|as required|if needed|if required|if necessary))?\s*\)?\s*$/i;
export const TAIL =
  /[\s,(–—-]*\b(?:(?:or\s+)?to taste|more or less|(?:this is |it is |it's )?optional|give or take(?: a (?:bit|little))?|or thereabouts|(?:or )?(?:as )?near (?:enough|as)|or so|to (?:mix|bind|moisten|slacken|let (?:it )?down|thicken)(?: (?:it|the batter|everything))?|or (?:both|a mix(?:ture)?(?: of (?:both|the two))?|a combination)|(?:or\s+)?as needed|(?:or\s+)?as required|if needed|if required|if necessary|if you (?:like|want|wish|have (?:it|some|any))(?: (?:it|them) \p{L}+)?|(?:if|unless) (?:using|you use|you(?:[’']re| are) using|the|your|my) [\p{L}’' -]{2,40}|(?:maybe|perhaps|possibly|or) (?:a (?:little|bit) )?less|(?:more or less )?depending on [\p{L} ]{2,30}|if liked|if desired|if using|please|see (?:notes?|below|above|tips?|steps?|pages?|p\.?)(?:\s+\d{1,3})?|as desired|adjust to taste|of (?:your )?choice|(?:of )?any kind|your choice|any sort|whatever you have|at your discretion|nach belieben|nach geschmack|nach wunsch|nach bedarf|bei bedarf|nach gefühl|wer mag|si besoin|si nécessaire|selon (?:le )?besoin|au besoin|si hace falta|si es necesario|la que admita|(?:facultatif|facultative|facultatifs)|selon (?:le )?goût|au choix|environ|ungefähr|aproximadamente|(?:am besten|vorzugsweise|de préférence|preferiblemente|mejor)(?: (?:aus))? (?:bio|biologique|ecológic[ao])|al gusto|opcional|facoltativo|a piacere|naar smaak|eventueel)(?![\p{L}])\s*\)?[.!]?\s*$|[\s,(–—-]*(?<!\p{L})(?:n\. ?B\.|à (?:volonté|peu près|votre goût|convenance))\)?\s*$|\s*[,;–—(]\s*(?:make sure|check)(?: that)?(?: it| they| yours| the label)\b[^()\d]*\)?\s*$|\s*[,;–—]\s*(?:an?y? )?(?:[\p{L}-]+\s+){1,2}(?:is|are|works?|will do|does|do)\b(?:\s+(?:also|just|perfectly))?(?:\s+(?:fine|ok|okay|good|well))?(?:\s+(?:too|as well|here|instead))?[.!]?\s*$/iu;
export const FIRST =
  /^\s*\(?(?:optional(?:ly)?|(?:noch|más)(?= (?:(?:ca\.?|etwa|unos|aprox\.?) )?[\d½¼¾])|(?:je )?nach (?:belieben|geschmack|wunsch|bedarf)|evtl\.|evt\.|ev\.|ggfs?\.|eventuell|gegebenenfalls|éventuellement|facultatif|opcional(?:mente)?|facoltativo|eventueel)\)?\s*[:,–—-]?\s*/i;
export const DIVIDED =
  /[\s,(]*\b(?:divided|in two (?:parts|goes|halves|lots)|(?<!\b(?:pods?|beans?|eggs?),?\s)split(?: in two)?|separated into (?:two|\w+) (?:parts|lots))\b\s*\)?\s*$/i;
/** When it goes in. */
export const MOMENT =
  /[\s,(–—-]*\b(?:(?:added|stirred|folded|mixed|sprinkled|scattered|dropped|put|going|goes|(?<!to )go|whisked|poured)\s+(?:in|on|over|at|to|just|right|after|before|last|into)\b[^(),\d.;]*|to (?:fold|stir|mix) in\b[^(),\d.;]*|for (?:the )?(?:egg )?(?:whites|yolks)|(?:for|to (?:feed|wake|bloom|proof|prove|activate|dissolve|start|sprinkle|melt|loosen|slake)) (?:the |my |your )?(?:yeast|baking soda|soda|bicarb(?:onate)?|gelatine?|cocoa|starch|corn ?starch|saffron)\b[^(),\d.;]*|(?:to (?:sour|curdle|clabber|acidify|thin)|for (?:souring|curdling|thinning)) (?:the |my )?(?:(?:plant|oat|soya?|almond|plain) )?(?:milk|drink)|(?:to (?:toss|coat|dust|shake|roll)|for (?:tossing|coating|dusting|rolling)) (?:the |my )?(?:\p{L}*berries|fruit|raisins|currants|apples?|chips|nuts)(?: in\.?| with)?|(?<=\b(?:flour|starch|corn ?starch|cornflour|semolina)\b[^(),\d]{0,12})for (?:the |my )?(?:\p{L}*berries|fruit|raisins|sultanas|currants|chips|nuts)|for (?:soaking|steeping|hydrating|blooming|dissolving|scalding) (?:the |my )\p{L}+[^(),\d.;]*|at the (?:very )?end|last(?: of all)?|before (?:the flip|flipping|turning|baking|cooking)\b[^(),\d.;]*|after (?:resting|the rest)\b[^(),\d.;]*)\)?\s*$/iu;

/** Sizes, degrees, times and shares: numbers that measure no amount. */
export const MEASURES: readonly RegExp[] = [
  /\b\d+(?:[.,/]\d+)?\s*(?:-|–|to|x|×)?\s*\d*(?:[.,/]\d+)?\s*-?\s*(?:cm|mm|inch(?:es)?|in\.)(?![\p{L}])(?:\s+(?:cubes?|pieces?|dice|slices?|chunks?|thick|long|squares?|rounds?))?|\b\d+(?:\/\d+)?\s*["”](?=\s|$)/giu,
  /\b(?:\d{1,3}\s*(?:°\s*[CF]?\s*)?(?:-|–|to)\s*)?\d{1,3}\s*(?:°|º|degrees?\s*)\s*[CF]?(?![\p{L}])|\b(?:[12]\d\d|[3-9]\d)\s*[CF]\b(?!\s*[a-z])/giu,
  /\b\d+(?:\s*(?:-|–|to)\s*\d+)?\s*(?:min(?:ute)?s?|hours?|hrs?|secs?|seconds?|days?)\b(?:\s+(?:before|ahead|earlier|or so|in advance))?/gi,
];

/** Types of flour that are numbers. */
export const FLOUR_TYPE =
  /\b(?:type|typ|tipo|t)\s?-?\s?(?:00?|45|55|65|80|110|150|405|550|630|812|1050|1150|1600)\b|(?<![\d.,/])\b(?:00|405|550|630)(?=['’"”]?\s+(?:flour|[a-zß-ü]*mehl|farina)\b)|(?<=\b(?:flour|[a-zß-ü]*mehl|farina)\s+['’(]?)(?:00|405|550|630|812|1050)\b(?!\s*(?:k?g|ml|gramm?s?)\b)/gi;

/** White wheat flour, as its milling is numbered in France, Germany and Italy: what "flour" alone means there. */
export const WHITE_FLOUR_TYPE =
  /(?<=\b(?:farine|flour|mehl|weizenmehl|harina|farina)\b[^,;]{0,24})\b(?:type|typ|tipo|t)\s?-?\s?(?:00?|45|55|65|405|550|630)\b/gi;

/** "Dinkelmehl 630": how finely spelt and rye are milled. */
export const MILLED_TYPE = /(?<=\b(?:dinkel|roggen)mehl,?\s)(?:type?\s)?(?:630|812|815|997|1050|1150)\b/gi;

/** What is done to it, in words that would mean another thing alone. */
export const STATES =
  /^(?:the\s+)?(?:scraped\s+)?seeds?\s+(?:of|from|scraped\s+from)\s+(?=(?:\d|an?\s|half|one|two)[^,]*\bvanilla)|\bice[- ]cold\b|\b(?:skins?|juices?|peel|zest|rind|stalks?|seeds|pips|liquid|crusts?)\s+and\s+all\b|\b(?!50\s?%)\d{2,3}\s?%\s+hydration\b|\b(?:pat(?:ted)?|wiped?|drained?|squeezed?|wrung) (?:very )?dry\b|\b(?:at )?room temp(?:erature|\.)?|\b(?:still )?(?:a little )?warm to the touch\b|\bat hand heat\b|\b(?:finely\s+|coarsely\s+)?(?:ground|milled|blitzed|blended|whizzed|turned|made|pulsed|processed)\s+(?:in)?to\s+(?:an?\s+)?(?:fine\s+|coarse\s+)?(?:flour|powder|meal|crumbs?|dust|paste)\b|\bfinger[- ](?:warm|soft)\b|\bblood[- ](?:warm|heat)\b|\b(?:do not|don['’]?t|not|un)[- ]?thaw(?:ed)?\b|\b(?:straight|right) from (?:the )?freezer\b|\b(?:small|large|full)[- ]curd\b|\bstone[- ]?(?:ground|milled)\b(?!\s+(?:\p{L}+\s+)?(?:corn|polenta))|\b(?:freshly[- ])?milled\b|(?<=\b(?:pods?|beans?),?\s)(?:seeds(?:\s+(?:only|scraped))?|split(?:\s+and\s+scraped)?|split(?:\s+lengthways)?)\b|(?<=\beggs?,?\s)split\b/giu;

/** What is done to it with a little of another thing. */
export const TURNED_IN =
  /\b(?:tossed|rolled|dusted|coated|dredged|shaken|thinned|loosened|slackened|moistened|mixed|blended)\s+(?:in|with)\s+(?:(?:a\s+)?(?:little|bit\s+of|some)\s+)?(?:of\s+)?(?:the\s+)?(?:flour|sugar|starch|corn\s?starch|cornflour|cocoa|milk|water|cream|the liquid)\b|\b(?:tossed|rolled|coated|dredged|shaken|rubbed|brushed)\s+(?:in|with)\s+(?:(?:a\s+)?(?:little|bit\s+of|some)\s+)?(?:of\s+)?(?:the\s+)?(?:(?:lemon|lime|orange)\s+juice|cinnamon(?:\s+sugar)?|spices?)\b/giu;

/** What a thing stands in, or is put into: no measure of it. */
export const VESSEL = String.raw`(?:(?:big|large|small|little|deep|wide|clean|separate|second|different|measuring|mixing|stand|hand|food|glass|metal|wooden|silicone|balloon|third|warm|dry)\s+)*(?:bowl|jug|basin|blender|mixer|processor|pan|saucepan|pot|pitcher|beaker|bucket|pail|tub|whisk|fork|sieve|spatula|container|tub|(?<=measuring )cup)\b(?!\s+of\b)`;
export const IN_A_VESSEL = new RegExp(
  String.raw`\b(?:(?:that |which )?(?:goes?|all|straight|tipped|put|sifted|weighed|measured) )?in(?:to)? (?:an?|another|the|your|my|our|one) ${VESSEL}`,
  'giu',
);

/** "Pumpkin from a tin": what it came in. */
export const FROM_A_PACK =
  /\b(?:out of|from) (?:an?|the) (?:(?:small|large|opened|shop-bought) )*(?:tin|can|carton|packet|jar|tub|box|bag|bottle|freezer|shop)\b/giu;

/** Eggs told as separated: what is said of their parts behind it is done to them. */
export const OF_THE_PARTS =
  /(?<=\b(?:separated|split|parted)\b[^\d]*[,;(]\s*)(?:(?:with|and)\s+)?(?:the\s+)?(?:egg\s+)?(?:whites?|yolks?)\b[^,;()\d]*/giu;

/** "2 cups flour, 1 cup at a time": how it goes in. */
export const AT_A_TIME =
  /[,(]\s*(?:about\s+)?(?:[\d½¼¾⅓⅔][\d./]*|an?|one|half(?:\s+an?)?|two)\s*(?:\p{L}+\s+){0,3}?at\s+a\s+time\b\)?/giu;

/** So much of it again: how much that is, is a question; what is done twice isn't. */
export const TWICE =
  /(?<!\b(?:sifted|sieved|rinsed|washed|strained|passed|baked|milled|ground|beaten|folded|mixed|filtered|boiled|rested)\s)\b(?:twice|thrice|two times|three times|each time|both times)\b(?!\s+(?:sifted|sieved|baked|milled|ground|rinsed|washed|strained|as))/i;
/** "for the batter and the pan": two uses of one amount. */
export const TWO_USES =
  /\bfor\s+(?:both\s+)?(?:the\s+)?(?:batter|dough|mix|pancakes?|waffles?|cr[eê]pes?|pan|griddle|iron|skillet)\s*(?:,|and|&|\+)\s*(?:(?:for\s+)?(?:the\s+)?)(?:pan|griddle|iron|skillet|top|topping|batter|frying|greasing|serving|sauce|filling)\b/i;

/** Cooked, a dry thing weighs otherwise than its table says. */
/**
 * What stands before a name and changes what is weighed, whatever it is: fat or salt that is reduced is another thing.
 */
export const CHANGED =
  /^\s*(?:of\s+)?(?:soaked|reduced(?![-\s](?:fat|salt|sodium|sugar|lactose|calorie))|boiled[-\s]down|rehydrated|reconstituted)\s+\p{L}/iu;
export const COOKED_FOOD = /\b(?:cooked|boiled|steamed|popped|simmered|parboiled)\b/i;

/** "(not self-raising)": what it is not; nothing of it is in the thing. */
export const NOT = /[,(]\s*(?:but\s+)?not\s+[^(),\d]{2,40}\)?/gi;

/** Fat that is called after the pan; and out of a can, which is for the pan where nothing else is said. */
export const PAN_FAT = /\b(?:pan|griddle)\s+(?:fat|grease|spray)\b/i;
export const SPRAY = /\b(?:cooking|oil|baking|non-?\s?stick)\s+spray\b|\bspray\s+oil\b/i;
/** As much as whoever cooks likes: a line of the batch without an amount. */
export const BY_TASTE =
  /\b(?:to (?:your )?taste|as (?:needed|required|desired|wanted|you like)|if (?:you (?:like|want|wish|have (?:it|some|any))|wished|liked|desired|needed|using)|optional(?:ly)?|a (?:little|bit|few|touch|hint)|some|nach (?:geschmack|bedarf|belieben)|si besoin|au besoin|si hace falta|al gusto|q\.\s?[bs]\.)(?![\p{L}])/iu;

/** An amount that goes in only when the batter asks for it. */
export const KEPT_BACK =
  /\b(?:as|if) (?:needed|required|necessary)\b|\b(?:for thinning|to thin)\b|\bif (?:the batter is |the batter's |it is |it's )?too (?:thick|thin|runny|stiff|loose|wet|dry)\b/i;
/** "for the neighbours": a tail whose noun decides whether it is the batter's. */
export const FOR_WHOM = /[,\s(]\bfor\s+(?:the|my|our)\s+([\p{L}'’-]+)(?:\s+([\p{L}'’-]+))?\s*[).]*$/iu;
/** "with 2 tbsp taken out": what is said behind an amount that is not there any more. */
export const TAKEN_OUT =
  /^\s*(?:(?:is|are|was|were|of it)\s+)?(?:out(?=\s*\)?$)|taken (?:out|away|off)|removed|spooned (?:off|out)|poured (?:off|away)|scooped (?:off|out)|left out|held back|knocked off)\b/i;
/** "Take out 2 tbsp": the same as an order, before the amount; past it nothing stands. */
export const TAKE_OUT =
  /[,;(–—-]\s*(?:then\s+|and\s+)?(?:take\s+(?:(?:out|away|off)\s+)?|remove\s+|(?:spoon|scoop|pour)\s+(?:out|off|away)\s+|knock\s+off\s+)(?:about\s+)?$/i;
