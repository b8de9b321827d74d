package ivesk.core.aftercare;

import ivesk.core.Language;
import java.text.MessageFormat;

/// Every sentence that a client is given, once, in every language: English, Spanish, French,
/// German, Portuguese. {0}, {1} are filled in by [Told]; what counts has its plural in the pattern,
/// as the standard library's MessageFormat reads it. A language that is left out does not compile.
public enum Sentence {
  // The frame of the sheet.
  AFTER_YOUR_PEEL(
      "After your peel",
      "Después de su peeling",
      "Après votre peeling",
      "Nach Ihrem Peeling",
      "Depois do seu peeling"),
  WITH("with {0}", "con {0}", "avec {0}", "mit {0}", "com {0}"),
  LAYERS(
      "{0,choice,1#one layer|1<{0} layers}",
      "{0,choice,1#una capa|1<{0} capas}",
      "{0,choice,1#une couche|1<{0} couches}",
      "{0,choice,1#eine Schicht|1<{0} Schichten}",
      "{0,choice,1#uma camada|1<{0} camadas}"),
  WENT_WHITE(
      "It went white on: {0}.",
      "Se puso blanco en: {0}.",
      "La peau a blanchi sur : {0}.",
      "Weiß wurde: {0}.",
      "Ficou branco em: {0}."),
  ON_YOUR_SKIN(
      "On your skin now",
      "Ahora sobre su piel",
      "Sur votre peau maintenant",
      "Jetzt auf Ihrer Haut",
      "Agora na sua pele"),
  DAY_BY_DAY("Day by day", "Día a día", "Jour après jour", "Tag für Tag", "Dia a dia"),
  NOT_BEFORE("Not before", "No antes de", "Pas avant", "Nicht vor", "Não antes de"),
  YOU_MAY_ASK(
      "You may ask",
      "Quizá se pregunte",
      "Vous vous demandez peut-être",
      "Das fragen Sie sich vielleicht",
      "Talvez se pergunte"),
  CALL_US(
      "Call the same day",
      "Llame el mismo día",
      "Appelez le jour même",
      "Rufen Sie noch am selben Tag an",
      "Ligue no mesmo dia"),
  CALL_US_FOR(
      "A blister, wet or grey skin, a crust, fever, pain that spreads, small blisters in a group, a tingling lip.",
      "Una ampolla, piel húmeda o gris, una costra, fiebre, dolor que se extiende, ampollas pequeñas agrupadas, un labio que hormiguea.",
      "Une cloque, une peau suintante ou grise, une croûte, de la fièvre, une douleur qui s’étend, de petites cloques groupées, une lèvre qui picote.",
      "Eine Blase, nässende oder graue Haut, eine Kruste, Fieber, Schmerz, der sich ausbreitet, kleine Bläschen in einer Gruppe, eine kribbelnde Lippe.",
      "Uma bolha, pele húmida ou cinzenta, uma crosta, febre, dor que se espalha, bolhas pequenas agrupadas, um lábio a formigar."),
  EMERGENCY_FOR(
      "Emergency, at once: swelling of the face, trouble with breath or sight, pain in an eye.",
      "Urgencias, enseguida: hinchazón de la cara, dificultad para respirar o ver, dolor en un ojo.",
      "Urgences, tout de suite : gonflement du visage, gêne pour respirer ou pour voir, douleur à un œil.",
      "Notruf, sofort: Schwellung im Gesicht, Atemnot, Sehstörung, Schmerz im Auge.",
      "Emergência, de imediato: inchaço da cara, dificuldade em respirar ou ver, dor num olho."),
  EMERGENCY_SALICYLIC(
      "Ringing ears, nausea or fast breathing too.",
      "También zumbido de oídos, náuseas o respiración rápida.",
      "Aussi : bourdonnements d’oreilles, nausées ou respiration rapide.",
      "Auch bei Ohrensausen, Übelkeit oder schnellem Atem.",
      "Também zumbido nos ouvidos, náuseas ou respiração rápida."),
  EMERGENCY_NUMBER(
      "Emergency number: {0}.",
      "Número de urgencias: {0}.",
      "Numéro d’urgence : {0}.",
      "Notrufnummer: {0}.",
      "Número de emergência: {0}."),
  PRACTICE_NUMBER(
      "The practice: {0}.",
      "El centro: {0}.", "L’institut : {0}.", "Die Praxis: {0}.", "O centro: {0}."),
  PRACTICE_NUMBER_HOURS(
      "The practice: {0} ({1}).",
      "El centro: {0} ({1}).",
      "L’institut : {0} ({1}).",
      "Die Praxis: {0} ({1}).",
      "O centro: {0} ({1})."),
  NEXT_PEEL(
      "Next peel: {0} at the earliest.",
      "Próximo peeling: no antes del {0}.",
      "Prochain peeling : le {0} au plus tôt.",
      "Nächstes Peeling: frühestens {0}.",
      "Próximo peeling: não antes de {0}."),
  PRACTICE_FIRST(
      "Where your practice or your doctor has told you otherwise, that comes first.",
      "Si su centro o su médico le ha dicho otra cosa, eso vale más.",
      "Si votre institut ou votre médecin vous a dit autre chose, cela passe avant.",
      "Was Ihre Praxis oder Ihre Ärztin anders gesagt hat, geht vor.",
      "Se o seu centro ou o seu médico lhe disse outra coisa, isso vem primeiro."),
  NO_FLAKES_IS_FINE(
      "No flakes does not mean that it did not work.",
      "Que no se descame no significa que no haya funcionado.",
      "Ne pas peler ne veut pas dire que cela n’a pas marché.",
      "Keine Schuppen heißt nicht, dass es nicht gewirkt hat.",
      "Não descamar não significa que não resultou."),
  // The weeks before.
  BEFORE_YOUR_PEEL(
      "Before your peel",
      "Antes de su peeling",
      "Avant votre peeling",
      "Vor Ihrem Peeling",
      "Antes do seu peeling"),
  PEEL_AT(
      "Your peel, {0}",
      "Su peeling, {0}", "Votre peeling, {0}", "Ihr Peeling, {0}", "O seu peeling, {0}"),
  NOT_KEPT(
      "Could you not keep one of these, or is something new: a medicine, a cold sore, sunburn, a pregnancy? Tell us before you come. We move the date rather than the rule.",
      "¿No ha podido cumplir algo de esto, o hay algo nuevo: un medicamento, un herpes labial, una quemadura solar, un embarazo? Díganoslo antes de venir. Preferimos cambiar la fecha antes que la norma.",
      "Vous n’avez pas pu respecter un point, ou il y a du nouveau : un médicament, un bouton de fièvre, un coup de soleil, une grossesse ? Dites-le-nous avant de venir. Nous déplaçons la date plutôt que la règle.",
      "Konnten Sie etwas davon nicht einhalten, oder ist etwas neu: ein Medikament, Lippenherpes, Sonnenbrand, eine Schwangerschaft? Sagen Sie es uns, bevor Sie kommen. Wir verschieben lieber den Termin als die Regel.",
      "Não conseguiu cumprir alguma coisa, ou há algo novo: um medicamento, herpes labial, uma queimadura solar, uma gravidez? Diga-nos antes de vir. Preferimos mudar a data a mudar a regra."),
  // After something went wrong.
  REACTED_TO(
      "you reacted strongly: until a doctor has cleared it, use nothing with {0}, and tell every doctor and practice about it",
      "ha tenido una reacción fuerte: hasta que un médico lo aclare, no use nada con {0}, y dígalo a todo médico y centro",
      "vous avez fortement réagi : tant qu’un médecin ne l’a pas éclairci, n’utilisez rien qui contienne {0}, et dites-le à tout médecin et institut",
      "Sie haben stark reagiert: Verwenden Sie bis zur ärztlichen Klärung nichts mit {0}, und sagen Sie es jeder Ärztin und jeder Praxis",
      "teve uma reação forte: até um médico o esclarecer, não use nada com {0}, e diga-o a todos os médicos e centros"),
  EYE_AGAIN(
      "product got into an eye: if it hurts, stays red or sees less well, go to eye emergency care today",
      "entró producto en un ojo: si duele, sigue rojo o ve peor, vaya hoy a urgencias oftalmológicas",
      "du produit est entré dans un œil : s’il fait mal, reste rouge ou voit moins bien, allez aujourd’hui aux urgences ophtalmologiques",
      "Produkt kam in ein Auge: Wenn es schmerzt, rot bleibt oder schlechter sieht, gehen Sie noch heute in die Augennotaufnahme",
      "entrou produto num olho: se doer, ficar vermelho ou vir pior, vá hoje às urgências de oftalmologia"),
  NOTHING_ACTIVE(
      "only gentle cleanser, bland cream and mineral sunscreen, until we tell you what may come back",
      "solo limpiador suave, crema neutra y protector solar mineral, hasta que le digamos qué puede volver a usar",
      "seulement un nettoyant doux, une crème neutre et un écran minéral, jusqu’à ce que nous vous disions ce qui peut reprendre",
      "nur milde Reinigung, milde Creme und mineralischer Sonnenschutz, bis wir Ihnen sagen, was wieder erlaubt ist",
      "só limpeza suave, creme neutro e protetor solar mineral, até lhe dizermos o que pode voltar a usar"),
  ONCE_WE_TELL_YOU(
      "once we tell you",
      "cuando se lo digamos",
      "quand nous vous le dirons",
      "wenn wir es Ihnen sagen",
      "quando lho dissermos"),
  NOT_UNTIL_WE_TELL_YOU(
      "Not until we tell you that you may.",
      "No hasta que le digamos que puede.",
      "Pas avant que nous vous disions que vous pouvez.",
      "Erst, wenn wir Ihnen sagen, dass Sie dürfen.",
      "Só quando lhe dissermos que pode."),
  OWN_HELD(
      "{0}: leave it out until we tell you that you may.",
      "{0}: déjelo hasta que le digamos que puede.",
      "{0} : à laisser de côté jusqu’à ce que nous vous disions que vous pouvez.",
      "{0}: weglassen, bis wir Ihnen sagen, dass Sie dürfen.",
      "{0}: deixe de usar até lhe dizermos que pode."),
  // What a day brings.
  NO_WATER_UNTIL(
      "no water and nothing on it until {0}; then bland cream",
      "nada de agua ni productos hasta el {0}; después, crema neutra",
      "ni eau ni produit jusqu’au {0} ; ensuite une crème neutre",
      "kein Wasser und nichts auf die Haut bis {0}; dann milde Creme",
      "sem água nem produtos até {0}; depois, creme neutro"),
  NO_WATER_CREAM_UNTIL(
      "no water until {0}; bland cream, then gentle cleanser, morning and night",
      "nada de agua hasta el {0}; crema neutra, después limpiador suave, mañana y noche",
      "pas d’eau jusqu’au {0} ; crème neutre, puis nettoyant doux, matin et soir",
      "kein Wasser bis {0}; milde Creme, danach milde Reinigung, morgens und abends",
      "sem água até {0}; creme neutro, depois limpeza suave, de manhã e à noite"),
  LEAVE_ON_UNTIL(
      "leave on: {0}; no water until {1}, then wash it off with gentle cleanser, and bland cream",
      "déjese puesto: {0}; nada de agua hasta el {1}, después retírelo con limpiador suave, y crema neutra",
      "laissez poser : {0} ; pas d’eau jusqu’au {1}, puis rincez avec un nettoyant doux, et crème neutre",
      "auf der Haut lassen: {0}; kein Wasser bis {1}, dann mit milder Reinigung abwaschen, und milde Creme",
      "deixe ficar: {0}; sem água até {1}, depois retire com limpeza suave, e creme neutro"),
  GENTLE_CARE_UNTIL(
      "gentle cleanser and bland cream, morning and night, until {0}",
      "limpiador suave y crema neutra, mañana y noche, hasta el {0}",
      "nettoyant doux et crème neutre, matin et soir, jusqu’au {0}",
      "milde Reinigung und milde Creme, morgens und abends, bis {0}",
      "limpeza suave e creme neutro, de manhã e à noite, até {0}"),
  DRINK_WATER(
      "drink water well: a harmless custom, nobody has shown that it helps",
      "beba agua: una costumbre inofensiva, nadie ha mostrado que ayude",
      "buvez de l’eau : une habitude sans danger, personne n’a montré qu’elle aide",
      "viel Wasser trinken: eine harmlose Gewohnheit, ein Nutzen ist nicht gezeigt",
      "beba água: um hábito inofensivo, ninguém mostrou que ajude"),
  SUN_CARE(
      "mineral sunscreen SPF 30 or more, every 2 hours outdoors, and a hat",
      "protector solar mineral FPS 30 o más, cada 2 horas al aire libre, y sombrero",
      "écran solaire minéral SPF 30 ou plus, toutes les 2 heures dehors, et un chapeau",
      "mineralischer Sonnenschutz LSF 30 oder mehr, draußen alle 2 Stunden, und ein Hut",
      "protetor solar mineral FPS 30 ou mais, de 2 em 2 horas ao ar livre, e chapéu"),
  TIGHT_UNTIL(
      "the skin may feel tight until {0}; that is expected",
      "la piel puede sentirse tirante, hasta el {0}; es lo esperado",
      "la peau peut tirer, jusqu’au {0} ; c’est normal",
      "die Haut kann spannen, bis {0}; das soll so sein",
      "a pele pode ficar repuxada, até {0}; é o esperado"),
  DARKER_UNTIL(
      "it may pull and look a shade deeper just before it flakes, until about {0}",
      "puede tirar y verse un tono más oscura justo antes de descamarse, hasta el {0} más o menos",
      "elle peut tirer et paraître un ton plus foncée juste avant de peler, jusque vers le {0}",
      "kurz vor dem Schuppen kann sie spannen und einen Ton dunkler wirken, bis etwa {0}",
      "pode repuxar e parecer um tom mais escura pouco antes de descamar, até cerca de {0}"),
  FLAKES_START(
      "flaking may start; do not pick, pull or scrub",
      "puede empezar a descamarse; no pellizque, no tire, no frote",
      "la peau peut commencer à peler ; ne pas gratter, tirer ni frotter",
      "die Haut kann zu schuppen beginnen; nicht zupfen, ziehen oder reiben",
      "pode começar a descamar; não arranque, não puxe, não esfregue"),
  FLAKES_START_SOONER(
      "flaking may start, first where it went white; do not pick, pull or scrub",
      "puede empezar a descamarse, primero donde se puso blanco; no pellizque, no tire, no frote",
      "la peau peut commencer à peler, d’abord où elle a blanchi ; ne pas gratter, tirer ni frotter",
      "die Haut kann zu schuppen beginnen, zuerst wo sie weiß wurde; nicht zupfen, ziehen oder reiben",
      "pode começar a descamar, primeiro onde ficou branco; não arranque, não puxe, não esfregue"),
  LAST_FLAKES(
      "the last flakes",
      "últimas descamaciones",
      "les dernières peaux mortes",
      "die letzten Schuppen",
      "as últimas peles"),
  RETURNS(
      "may return: {0}",
      "puede volver: {0}", "de nouveau permis : {0}", "wieder erlaubt: {0}", "pode voltar: {0}"),
  RETURNS_FROM(
      "from {0}: {1}",
      "desde las {0}: {1}", "à partir de {0} : {1}", "ab {0}: {1}", "a partir das {0}: {1}"),
  SUN_CARE_ENDS(
      "strict sun care ends; daily sunscreen stays",
      "termina el cuidado estricto del sol; el protector diario sigue",
      "fin de la protection stricte ; l’écran quotidien reste",
      "der strenge Sonnenschutz endet; täglicher Sonnenschutz bleibt",
      "termina o cuidado rigoroso com o sol; o protetor diário continua"),
  WE_ASK(
      "we ask how it is",
      "le preguntamos cómo va",
      "nous demandons comment ça va",
      "wir fragen, wie es geht",
      "perguntamos como está"),
  YOUR_PEEL(
      "Your peel {0}",
      "Su peeling {0}", "Votre peeling {0}", "Ihr Peeling {0}", "O seu peeling {0}"),
  WE_ASK_A_PHOTO(
      "we ask for a photo",
      "le pedimos una foto",
      "nous demandons une photo",
      "wir bitten um ein Foto",
      "pedimos uma fotografia"),
  LATE_MARKS(
      "late marks show about now: a photo",
      "las manchas tardías se ven ahora: una foto",
      "les taches tardives se voient maintenant : une photo",
      "späte Flecken zeigen sich jetzt: ein Foto",
      "as manchas tardias veem-se agora: uma fotografia"),
  TINGLING_LIP(
      "a lip that tingles in the days after: tell us the same day",
      "un labio que hormiguea en los días siguientes: díganoslo el mismo día",
      "une lèvre qui picote les jours suivants : dites-le-nous le jour même",
      "eine Lippe, die in den Tagen danach kribbelt: Sagen Sie es uns noch am selben Tag",
      "um lábio a formigar nos dias seguintes: diga-nos no mesmo dia"),
  NO_SUN_AT_ALL(
      "no sun on it at all until {0}: your medicine makes the skin answer to light",
      "nada de sol hasta el {0}: su medicamento hace la piel sensible a la luz",
      "pas de soleil du tout jusqu’au {0} : votre médicament rend la peau sensible à la lumière",
      "gar keine Sonne bis {0}: Ihr Medikament macht die Haut lichtempfindlich",
      "nenhum sol até {0}: o seu medicamento torna a pele sensível à luz"),
  // What rests for a while.
  MAKE_UP(
      "make-up (mineral powder is fine)",
      "maquillaje (los polvos minerales sí)",
      "maquillage (la poudre minérale convient)",
      "Make-up (Mineralpuder ist in Ordnung)",
      "maquilhagem (pó mineral pode)"),
  MINERAL_MAKE_UP(
      "mineral make-up",
      "maquillaje mineral",
      "maquillage minéral",
      "mineralisches Make-up",
      "maquilhagem mineral"),
  MINERAL_MAKE_UP_AFTER_POWDER(
      "mineral make-up (mineral powder at once)",
      "maquillaje mineral (polvos minerales, ya desde hoy)",
      "maquillage minéral (poudre minérale tout de suite)",
      "mineralisches Make-up (Mineralpuder sofort)",
      "maquilhagem mineral (pó mineral logo no próprio dia)"),
  OTHER_MAKE_UP(
      "other make-up",
      "otro maquillaje",
      "autre maquillage",
      "anderes Make-up",
      "outra maquilhagem"),
  EXERCISE_AND_HEAT(
      "exercise, sauna, hot shower, steam",
      "ejercicio, sauna, ducha caliente, vapor",
      "sport, sauna, douche chaude, vapeur",
      "Sport, Sauna, heiße Dusche, Dampf",
      "exercício, sauna, duche quente, vapor"),
  ACIDS_AND_SCRUBS(
      "scrub, acid, deep-clean wash, vitamin C in acid form",
      "exfoliante, ácidos, limpieza profunda, vitamina C en forma ácida",
      "gommage, acide, nettoyage en profondeur, vitamine C sous forme acide",
      "Rubbelpeeling, Säure, Tiefenreinigung, Vitamin C in Säureform",
      "esfoliante, ácidos, limpeza profunda, vitamina C em forma ácida"),
  SCRUBS(
      "scrub, deep-clean wash, vitamin C in acid form",
      "exfoliante, limpieza profunda, vitamina C en forma ácida",
      "gommage, nettoyage en profondeur, vitamine C sous forme acide",
      "Rubbelpeeling, Tiefenreinigung, Vitamin C in Säureform",
      "esfoliante, limpeza profunda, vitamina C em forma ácida"),
  SCRUBS_AND_MILD_ACIDS(
      "scrub, deep-clean wash, vitamin C in acid form, home acids up to 5 % on alternate nights",
      "exfoliante, limpieza profunda, vitamina C en forma ácida, ácidos en casa hasta 5 % en noches alternas",
      "gommage, nettoyage en profondeur, vitamine C sous forme acide, acides à la maison jusqu’à 5 % un soir sur deux",
      "Rubbelpeeling, Tiefenreinigung, Vitamin C in Säureform, Säuren zu Hause bis 5 % jeden zweiten Abend",
      "esfoliante, limpeza profunda, vitamina C em forma ácida, ácidos em casa até 5 % em noites alternadas"),
  HOME_ACIDS(
      "acids at home", "ácidos en casa", "acides à la maison", "Säuren zu Hause", "ácidos em casa"),
  RETINOID("retinoid", "retinoide", "rétinoïde", "Retinoid", "retinoide"),
  OWN_RETINOID(
      "a retinoid of your own",
      "un retinoide propio",
      "votre propre rétinoïde",
      "ein eigenes Retinoid",
      "um retinoide seu"),
  OTHER_TREATMENTS(
      "wax, laser or other treatment",
      "cera, láser u otro tratamiento",
      "cire, laser ou autre soin",
      "Wachs, Laser oder andere Behandlung",
      "cera, laser ou outro tratamento"),
  SUN(
      "sun without strict care",
      "sol sin cuidado estricto",
      "soleil sans protection stricte",
      "Sonne ohne strengen Schutz",
      "sol sem cuidado rigoroso"),
  PICKING(
      "picking, pulling or scrubbing at flakes",
      "pellizcar, tirar o frotar la piel que se descama",
      "gratter, tirer ou frotter les peaux",
      "an Schuppen zupfen, ziehen oder reiben",
      "arrancar, puxar ou esfregar a pele que descama"),
  // What clients ask.
  ASK_SUN(
      "When can I go out in the sun?",
      "¿Cuándo puedo volver a salir al sol?",
      "Quand puis-je aller au soleil ?",
      "Wann darf ich in die Sonne?",
      "Quando posso voltar a sair ao sol?"),
  ASK_HURT(
      "Will it hurt, and when most?",
      "¿Dolerá, y cuándo más?",
      "Est-ce que cela fait mal, et quand le plus ?",
      "Tut es weh, und wann am meisten?",
      "Vai doer, e quando mais?"),
  ASK_HURT_WAS(
      "How strong was it?",
      "¿Qué intensidad tuvo?",
      "Quelle était l’intensité ?",
      "Wie stark war es?",
      "Que intensidade teve?"),
  ASK_DOWNTIME(
      "What downtime? When does it start, when does it end?",
      "¿Cuánto dura la recuperación? ¿Cuándo empieza y cuándo termina?",
      "Quelles suites ? Quand cela commence, quand cela finit ?",
      "Welche Ausfallzeit? Wann beginnt sie, wann endet sie?",
      "Que recuperação? Quando começa e quando acaba?"),
  ASK_NO_FLAKES(
      "No flakes: did it work?",
      "No me descamo: ¿ha funcionado?",
      "Je ne pèle pas : est-ce que cela a marché ?",
      "Keine Schuppen: hat es gewirkt?",
      "Não descamei: resultou?"),
  ASK_HOW_MANY(
      "How many, how far apart?",
      "¿Cuántos, y cada cuánto?",
      "Combien, et à quel intervalle ?",
      "Wie viele, in welchem Abstand?",
      "Quantos, e com que intervalo?"),
  ASK_BETWEEN(
      "Anything in between?",
      "¿Algo entre uno y otro?",
      "Quelque chose entre deux ?",
      "Etwas dazwischen?",
      "Alguma coisa pelo meio?"),
  ASK_WASH_MAKE_UP_GYM(
      "Washing, make-up, gym, sauna?",
      "¿Lavarse, maquillaje, gimnasio, sauna?",
      "Se laver, se maquiller, sport, sauna ?",
      "Waschen, Make-up, Sport, Sauna?",
      "Lavar, maquilhagem, ginásio, sauna?"),
  ASK_EVENT("{0} on {1}?", "¿{0}, el {1}?", "{0}, le {1} ?", "{0} am {1}?", "{0}, {1}?"),
  ASK_RETINOID(
      "My acids and my retinoid again?",
      "¿Cuándo vuelvo a mis ácidos y mi retinoide?",
      "Quand reprendre mes acides et mon rétinoïde ?",
      "Wann wieder meine Säuren und mein Retinoid?",
      "Quando volto aos meus ácidos e ao meu retinoide?"),
  ASK_STRONGER(
      "When can I go stronger?",
      "¿Cuándo puedo pasar a uno más fuerte?",
      "Quand passer à plus fort ?",
      "Wann darf es stärker sein?",
      "Quando posso passar a um mais forte?"),
  ASK_TROUBLE(
      "What if it itches, darkens or blisters?",
      "¿Y si pica, se oscurece o salen ampollas?",
      "Et si cela gratte, fonce ou cloque ?",
      "Was, wenn es juckt, dunkler wird oder Blasen kommen?",
      "E se der comichão, escurecer ou fizer bolhas?"),
  ASK_WASH_OFF(
      "When do I wash it off?",
      "¿Cuándo lo retiro?",
      "Quand rincer ?",
      "Wann wasche ich es ab?",
      "Quando retiro?"),
  // The answers.
  SUN_FROM(
      "With mineral sunscreen and a hat, today. Without strict care from {0}.",
      "Con protector mineral y sombrero, hoy. Sin cuidado estricto desde el {0}.",
      "Avec un écran minéral et un chapeau, aujourd’hui. Sans protection stricte dès le {0}.",
      "Mit mineralischem Sonnenschutz und Hut heute schon. Ohne strengen Schutz ab {0}.",
      "Com protetor mineral e chapéu, hoje. Sem cuidado rigoroso a partir de {0}."),
  NO_SUN_UNTIL(
      "None at all until {0}, for your medicine. Then with mineral sunscreen and a hat; without strict care from {1}.",
      "Nada hasta el {0}, por su medicamento. Después con protector mineral y sombrero; sin cuidado estricto desde el {1}.",
      "Pas du tout jusqu’au {0}, à cause de votre médicament. Ensuite avec écran minéral et chapeau ; sans protection stricte dès le {1}.",
      "Gar nicht bis {0}, wegen Ihres Medikaments. Dann mit mineralischem Sonnenschutz und Hut; ohne strengen Schutz ab {1}.",
      "Nenhum até {0}, por causa do seu medicamento. Depois com protetor mineral e chapéu; sem cuidado rigoroso a partir de {1}."),
  HURT_EXPECTED(
      "About {0} to {1} of 10 while it is on.",
      "Entre {0} y {1} de 10 mientras esté puesto.",
      "Environ {0} à {1} sur 10 tant qu’il est posé.",
      "Etwa {0} bis {1} von 10, solange es wirkt.",
      "Cerca de {0} a {1} em 10 enquanto estiver posto."),
  HURT_FALLING(
      "About {0} to {1} of 10, most in the first {2}, then less.",
      "Entre {0} y {1} de 10, sobre todo en los primeros {2}; después, menos.",
      "Environ {0} à {1} sur 10, surtout les premières {2}, puis moins.",
      "Etwa {0} bis {1} von 10, am meisten in den ersten {2}, dann weniger.",
      "Cerca de {0} a {1} em 10, sobretudo nos primeiros {2}; depois, menos."),
  HURT_LIKE_BEFORE(
      "With you most at minute {1}: about {0} of 10.",
      "En su caso, lo más fuerte en el minuto {1}: cerca de {0} de 10.",
      "Chez vous, le plus fort à la minute {1} : environ {0} sur 10.",
      "Bei Ihnen am meisten in Minute {1}: etwa {0} von 10.",
      "Consigo, o mais forte no minuto {1}: cerca de {0} em 10."),
  WE_STOP_WHEN_YOU_SAY(
      "We ask all the time, and stop when you say so.",
      "Le preguntamos todo el tiempo y paramos cuando lo diga.",
      "Nous demandons sans cesse, et arrêtons quand vous le dites.",
      "Wir fragen laufend und hören auf, wenn Sie es sagen.",
      "Perguntamos sempre, e paramos quando disser."),
  HURT_WAS(
      "At most {0} of 10, {1} after it went on.",
      "Como mucho {0} de 10, {1} después de ponerlo.",
      "Au plus {0} sur 10, {1} après la pose.",
      "Höchstens {0} von 10, {1} nach dem Auftragen.",
      "No máximo {0} em 10, {1} depois de aplicado."),
  FLAKES_FROM_TO(
      "Flakes from {0} to {1}, as far as can be said.",
      "Se descama del {0} al {1}, hasta donde puede decirse.",
      "Cela pèle du {0} au {1}, autant qu’on puisse le dire.",
      "Schuppen von {0} bis {1}, soweit man es sagen kann.",
      "Descama de {0} a {1}, tanto quanto se pode dizer."),
  FLAKES_LIKE_BEFORE(
      "Flakes from {0} to {1}, as after your own last peels.",
      "Se descama del {0} al {1}, como tras sus últimos peelings.",
      "Cela pèle du {0} au {1}, comme après vos derniers peelings.",
      "Schuppen von {0} bis {1}, wie nach Ihren letzten Peelings.",
      "Descama de {0} a {1}, como depois dos seus últimos peelings."),
  NO_DOWNTIME(
      "None is expected. Tightness for a day or two is normal.",
      "No se espera ninguna. La tirantez de uno o dos días es normal.",
      "Aucune n’est attendue. Une peau qui tire un jour ou deux est normale.",
      "Keine ist zu erwarten. Spannen für ein, zwei Tage ist normal.",
      "Não se espera nenhuma. Pele repuxada um ou dois dias é normal."),
  IT_WORKS_UNSEEN(
      "Yes. Skin can renew without showing it.",
      "Sí. La piel puede renovarse sin que se note.",
      "Oui. La peau peut se renouveler sans que cela se voie.",
      "Ja. Haut kann sich erneuern, ohne es zu zeigen.",
      "Sim. A pele pode renovar-se sem se notar."),
  THIS_IS_PEEL(
      "This is peel {0}; a series is {1} to {2}.",
      "Este es el peeling {0}; una serie son de {1} a {2}.",
      "C’est le peeling {0} ; une série en compte {1} à {2}.",
      "Das ist Peeling {0}; eine Serie hat {1} bis {2}.",
      "Este é o peeling {0}; uma série tem {1} a {2}."),
  THIS_IS_PEEL_OF(
      "This is peel {0}; a series is {1}.",
      "Este es el peeling {0}; una serie son {1}.",
      "C’est le peeling {0} ; une série en compte {1}.",
      "Das ist Peeling {0}; eine Serie hat {1}.",
      "Este é o peeling {0}; uma série tem {1}."),
  SERIES_COMPLETE(
      "This is peel {0}; the series is complete. From now on peels keep what was reached.",
      "Este es el peeling {0}; la serie está completa. A partir de ahora los peelings mantienen lo logrado.",
      "C’est le peeling {0} ; la série est terminée. Les peelings suivants maintiennent le résultat.",
      "Das ist Peeling {0}; die Serie ist abgeschlossen. Weitere Peelings erhalten das Erreichte.",
      "Este é o peeling {0}; a série está completa. A partir de agora os peelings mantêm o que se alcançou."),
  DAYS_APART(
      "At least {0,choice,1#one day|1<{0} days} apart.",
      "Al menos {0,choice,1#un día|1<{0} días} entre uno y otro.",
      "Au moins {0,choice,1#un jour|1<{0} jours} entre deux.",
      "Mindestens {0,choice,1#ein Tag|1<{0} Tage} Abstand.",
      "Pelo menos {0,choice,1#um dia|1<{0} dias} entre eles."),
  BETWEEN_FROM(
      "A treatment without acid, from {0}, once the skin is clear and calm.",
      "Un tratamiento sin ácido, desde el {0}, cuando la piel ya no se descame y esté tranquila.",
      "Un soin sans acide, dès le {0}, quand la peau ne pèle plus et qu’elle est calme.",
      "Eine Behandlung ohne Säure, ab {0}, wenn nichts mehr schuppt und die Haut ruhig ist.",
      "Um tratamento sem ácido, a partir de {0}, quando a pele já não descamar e estiver calma."),
  WASH_GENTLY(
      "Wash gently with cool water.",
      "Lávese con suavidad, con agua fresca.",
      "Lavez doucement, à l’eau fraîche.",
      "Sanft mit kühlem Wasser waschen.",
      "Lave com suavidade, com água fresca."),
  WASH_FROM(
      "Wash from {0}, gently, with cool water.",
      "Lávese desde el {0}, con suavidad, con agua fresca.",
      "Lavez dès le {0}, doucement, à l’eau fraîche.",
      "Waschen ab {0}, sanft, mit kühlem Wasser.",
      "Lave a partir de {0}, com suavidade, com água fresca."),
  POWDER_THEN_ANY(
      "Mineral powder today, other make-up from {0}.",
      "Polvos minerales hoy, otro maquillaje desde el {0}.",
      "Poudre minérale aujourd’hui, autre maquillage dès le {0}.",
      "Mineralpuder heute, anderes Make-up ab {0}.",
      "Pó mineral hoje, outra maquilhagem a partir de {0}."),
  NO_POWDER_THEN_ANY(
      "No make-up until {0}.",
      "Nada de maquillaje hasta el {0}.",
      "Pas de maquillage avant le {0}.",
      "Kein Make-up bis {0}.",
      "Sem maquilhagem até {0}."),
  POWDER_THEN_MINERAL(
      "Mineral powder today, mineral make-up from {0}, any from {1}.",
      "Polvos minerales hoy, maquillaje mineral desde el {0}, cualquiera desde el {1}.",
      "Poudre minérale aujourd’hui, maquillage minéral dès le {0}, tout autre dès le {1}.",
      "Mineralpuder heute, mineralisches Make-up ab {0}, jedes ab {1}.",
      "Pó mineral hoje, maquilhagem mineral a partir de {0}, qualquer a partir de {1}."),
  EXERCISE_FROM(
      "Exercise and heat from {0}.",
      "Ejercicio y calor desde el {0}.",
      "Sport et chaleur dès le {0}.",
      "Sport und Wärme ab {0}.",
      "Exercício e calor a partir de {0}."),
  EVENT_AFTER_FLAKES(
      "The flakes are over by {0}, before that day.",
      "La descamación habrá terminado el {0}, antes de ese día.",
      "Les peaux seront parties le {0}, avant ce jour.",
      "Das Schuppen ist am {0} vorbei, vor diesem Tag.",
      "A descamação termina a {0}, antes desse dia."),
  EVENT_IN_FLAKES(
      "That day may still flake: they last to {0}. Bland cream under mineral make-up; do not pull.",
      "Ese día aún puede descamarse: dura hasta el {0}. Crema neutra bajo maquillaje mineral; no tire.",
      "Ce jour-là, elle peut encore peler : jusqu’au {0}. Crème neutre sous un maquillage minéral ; ne pas tirer.",
      "An diesem Tag kann es noch schuppen: bis {0}. Milde Creme unter mineralischem Make-up; nicht ziehen.",
      "Nesse dia ainda pode descamar: dura até {0}. Creme neutro sob maquilhagem mineral; não puxe."),
  EVENT_BEFORE_FLAKES(
      "Before the flakes, which may start on {0}; the skin may feel tight.",
      "Antes de la descamación, que puede empezar el {0}; la piel puede estar tirante.",
      "Avant les peaux, qui peuvent commencer le {0} ; la peau peut tirer.",
      "Vor dem Schuppen, das am {0} beginnen kann; die Haut kann spannen.",
      "Antes da descamação, que pode começar a {0}; a pele pode repuxar."),
  EVENT_NO_FLAKES(
      "No flakes are expected. Strict sun care until {0}.",
      "No se espera descamación. Cuidado estricto del sol hasta el {0}.",
      "Aucune peau n’est attendue. Protection stricte jusqu’au {0}.",
      "Schuppen sind nicht zu erwarten. Strenger Sonnenschutz bis {0}.",
      "Não se espera descamação. Cuidado rigoroso com o sol até {0}."),
  ACIDS_FROM(
      "Acids and scrubs from {0}.",
      "Ácidos y exfoliantes desde el {0}.",
      "Acides et gommages dès le {0}.",
      "Säuren und Rubbelpeelings ab {0}.",
      "Ácidos e esfoliantes a partir de {0}."),
  MILD_ACIDS_FROM(
      "Scrubs and home acids up to {1} % on alternate nights: from {0}.",
      "Exfoliantes y ácidos en casa hasta {1} % en noches alternas: desde el {0}.",
      "Gommages et acides à la maison jusqu’à {1} % un soir sur deux : dès le {0}.",
      "Rubbelpeelings und Säuren zu Hause bis {1} % jeden zweiten Abend: ab {0}.",
      "Esfoliantes e ácidos em casa até {1} % em noites alternadas: a partir de {0}."),
  SCRUBS_THEN_ACIDS(
      "Scrubs from {0}, acids from {1}.",
      "Exfoliantes desde el {0}, ácidos desde el {1}.",
      "Gommages dès le {0}, acides dès le {1}.",
      "Rubbelpeelings ab {0}, Säuren ab {1}.",
      "Esfoliantes a partir de {0}, ácidos a partir de {1}."),
  RETINOID_FROM(
      "Retinoid from {0}, and only on calm skin.",
      "Retinoide desde el {0}, y solo con la piel tranquila.",
      "Rétinoïde dès le {0}, et seulement sur une peau calme.",
      "Retinoid ab {0}, und nur auf ruhiger Haut.",
      "Retinoide a partir de {0}, e só com a pele calma."),
  NEUTRAL_VITAMIN_C(
      "Vitamin C in a neutral form may go on today.",
      "La vitamina C en forma neutra puede ponerse hoy.",
      "La vitamine C sous forme neutre est permise aujourd’hui.",
      "Vitamin C in neutraler Form darf heute schon darauf.",
      "A vitamina C em forma neutra pode pôr-se hoje."),
  STRONGER_AFTER(
      "After {0,choice,1#one more peel|1<{0} more peels} at this strength, well taken, and only if the goal is not met.",
      "Después de {0,choice,1#un peeling más|1<{0} peelings más} con esta intensidad, bien tolerados, y solo si no se ha llegado a la meta.",
      "Après {0,choice,1#un autre peeling|1<{0} autres peelings} à cette intensité, bien supportés, et seulement si le but n’est pas atteint.",
      "Nach {0,choice,1#einem weiteren Peeling|1<{0} weiteren Peelings} in dieser Stärke, gut vertragen, und nur wenn das Ziel nicht erreicht ist.",
      "Depois de {0,choice,1#mais um peeling|1<mais {0} peelings} com esta intensidade, bem tolerados, e só se a meta não foi atingida."),
  STRONGER_NEXT(
      "One step more is open next time. Staying is as good when the goal is met.",
      "La próxima vez es posible un paso más. Mantenerse es igual de bueno si se llegó a la meta.",
      "La prochaine fois, un pas de plus est possible. Rester vaut autant si le but est atteint.",
      "Nächstes Mal ist eine Stufe mehr möglich. Bleiben ist ebenso gut, wenn das Ziel erreicht ist.",
      "Da próxima vez é possível subir um passo. Manter é igualmente bom se a meta foi atingida."),
  STRONGER_LAYER(
      "Next time one layer more at most, at the same strength.",
      "La próxima vez, como mucho una capa más, con la misma intensidad.",
      "La prochaine fois, au plus une couche de plus, à la même intensité.",
      "Nächstes Mal höchstens eine Schicht mehr, in derselben Stärke.",
      "Da próxima vez, no máximo mais uma camada, com a mesma intensidade."),
  STRONGER_TOP(
      "Not from here: this is where it stays for you. A good result at a low strength is the goal.",
      "No más que esto: en su caso se mantiene así. La meta es un buen resultado con poca intensidad.",
      "Pas au-delà : pour vous, cela reste ainsi. Le but est un bon résultat à faible intensité.",
      "Darüber hinaus nicht: für Sie bleibt es dabei. Ziel ist ein gutes Ergebnis mit wenig Stärke.",
      "Não mais do que isto: no seu caso mantém-se assim. A meta é um bom resultado com pouca intensidade."),
  STRONGER_NOT_YET(
      "Not next time: the same again, calmly.",
      "La próxima vez no: lo mismo, con calma.",
      "Pas la prochaine fois : la même chose, calmement.",
      "Nächstes Mal nicht: noch einmal dasselbe, in Ruhe.",
      "Da próxima vez não: o mesmo, com calma."),
  STRONGER_LESS(
      "Next time milder or shorter: this one was strong for your skin.",
      "La próxima vez más suave o más corto: este ha sido fuerte para su piel.",
      "La prochaine fois plus doux ou plus court : celui-ci était fort pour votre peau.",
      "Nächstes Mal milder oder kürzer: dieses war stark für Ihre Haut.",
      "Da próxima vez mais suave ou mais curto: este foi forte para a sua pele."),
  STRONGER_CLINICIAN(
      "The supervising clinician decides what comes next.",
      "El médico supervisor decide qué sigue.",
      "Le médecin superviseur décide de la suite.",
      "Was als Nächstes kommt, entscheidet die ärztliche Aufsicht.",
      "O médico supervisor decide o que se segue."),
  ITCH_COOL(
      "Itch: cool it, do not scratch.",
      "Picor: enfríe, no se rasque.",
      "Démangeaison : refroidir, ne pas gratter.",
      "Jucken: kühlen, nicht kratzen.",
      "Comichão: arrefeça, não coce."),
  DARKER_BEFORE_FLAKES(
      "Darker just before the flakes is expected; dark that stays after them: tell us.",
      "Más oscura justo antes de descamarse es lo esperado; si sigue oscura después, díganoslo.",
      "Plus foncée juste avant de peler, c’est attendu ; foncée après : dites-le-nous.",
      "Dunkler kurz vor dem Schuppen ist zu erwarten; bleibt es danach dunkel, sagen Sie es uns.",
      "Mais escura pouco antes de descamar é o esperado; escura depois: diga-nos."),
  DARKER_TELL_US(
      "Dark patches: tell us.",
      "Manchas oscuras: díganoslo.",
      "Taches foncées : dites-le-nous.",
      "Dunkle Flecken: Sagen Sie es uns.",
      "Manchas escuras: diga-nos."),
  CALL_FOR_BLISTERS(
      "Blister, crust, fever or a tingling lip: call the same day.",
      "Ampolla, costra, fiebre o un labio que hormiguea: llame el mismo día.",
      "Cloque, croûte, fièvre ou lèvre qui picote : appelez le jour même.",
      "Blase, Kruste, Fieber oder kribbelnde Lippe: Rufen Sie noch am selben Tag an.",
      "Bolha, crosta, febre ou lábio a formigar: ligue no mesmo dia."),
  WASH_OFF_AT(
      "{0}. Sooner, with cool water, if it burns.",
      "{0}. Antes, con agua fresca, si quema.",
      "{0}. Plus tôt, à l’eau fraîche, si cela brûle.",
      "{0}. Früher, mit kühlem Wasser, wenn es brennt.",
      "{0}. Antes, com água fresca, se queimar."),
  // On the day of a peel that ends by itself.
  OUT_OF_THE_SUN_TODAY(
      "out of the sun today, with a hat",
      "hoy, sin sol y con sombrero",
      "pas de soleil aujourd’hui, un chapeau",
      "heute nicht in die Sonne, ein Hut",
      "hoje, sem sol e com chapéu"),
  MAKE_UP_OF_ANY_KIND(
      "make-up of any kind",
      "cualquier maquillaje",
      "tout maquillage",
      "Make-up jeder Art",
      "qualquer maquilhagem"),
  SUN_FROM_TOMORROW(
      "Not today. From {0} with mineral sunscreen and a hat, without strict care from {1}.",
      "Hoy no. Desde el {0} con protector mineral y sombrero, sin cuidado estricto desde el {1}.",
      "Pas aujourd’hui. Dès le {0} avec un écran minéral et un chapeau, sans protection stricte dès le {1}.",
      "Heute nicht. Ab {0} mit mineralischem Sonnenschutz und Hut, ohne strengen Schutz ab {1}.",
      "Hoje não. A partir de {0} com protetor mineral e chapéu, sem cuidado rigoroso a partir de {1}."),
  NO_POWDER_THEN_MINERAL(
      "No make-up until {0}, then mineral only, any from {1}.",
      "Nada de maquillaje hasta el {0}, después solo mineral, cualquiera desde el {1}.",
      "Pas de maquillage avant le {0}, ensuite minéral seulement, tout autre dès le {1}.",
      "Kein Make-up bis {0}, dann nur mineralisches, jedes ab {1}.",
      "Sem maquilhagem até {0}, depois só mineral, qualquer a partir de {1}."),
  // What a client hears after a check-in.
  SAID_AS_EXPECTED(
      "Thank you. That is as expected. Bland cream, mineral sunscreen, and do not pull.",
      "Gracias. Es lo esperado. Crema neutra, protector mineral, y no tire.",
      "Merci. C’est attendu. Crème neutre, écran minéral, et ne tirez pas.",
      "Danke. Das ist zu erwarten. Milde Creme, mineralischer Sonnenschutz, und nicht ziehen.",
      "Obrigado. É o esperado. Creme neutro, protetor mineral, e não puxe."),
  SAID_REASSURE(
      "Thank you. This passes: cool it, bland cream, do not scratch. Tell us again tomorrow if it is no better.",
      "Gracias. Esto pasa: enfríe, crema neutra, no se rasque. Díganos mañana si no mejora.",
      "Merci. Cela passe : refroidir, crème neutre, ne pas gratter. Redites-le-nous demain si cela ne va pas mieux.",
      "Danke. Das geht vorbei: kühlen, milde Creme, nicht kratzen. Morgen wieder melden, wenn es nicht besser ist.",
      "Obrigado. Isto passa: arrefeça, creme neutro, não coce. Diga-nos amanhã se não melhorar."),
  SAID_SEE(
      "Thank you for telling us. We want to see you: the practice calls you. Until then cool, bland cream, no sun.",
      "Gracias por decírnoslo. Queremos verle: el centro le llama. Hasta entonces frío, crema neutra, nada de sol.",
      "Merci de nous l’avoir dit. Nous voulons vous voir : nous vous appelons. D’ici là : frais, crème neutre, pas de soleil.",
      "Danke, dass Sie es sagen. Wir möchten Sie sehen: die Praxis ruft an. Bis dahin kühlen, milde Creme, keine Sonne.",
      "Obrigado por nos dizer. Queremos observar a sua pele: o centro telefona. Até lá frio, creme neutro, nada de sol."),
  SAID_CLINICIAN(
      "This needs a doctor’s eye today. Call the practice now; nothing new on the skin.",
      "Esto debe verlo un médico hoy. Llame ahora al centro; nada nuevo sobre la piel.",
      "Un médecin doit le voir aujourd’hui. Appelez-nous maintenant ; rien de nouveau sur la peau.",
      "Das muss heute ärztlich angesehen werden. Rufen Sie jetzt die Praxis an; nichts Neues auf die Haut.",
      "Isto tem de ser visto por um médico hoje. Ligue já para o centro; nada de novo na pele."),
  SAID_EMERGENCY(
      "This is an emergency. Call the emergency number now.",
      "Es una urgencia. Llame ya al número de urgencias.",
      "C’est une urgence. Appelez tout de suite le numéro d’urgence.",
      "Das ist ein Notfall. Wählen Sie jetzt den Notruf.",
      "É uma emergência. Ligue já para o número de emergência."),
  // The diary of the days after.
  DIARY_HELLO(
      "How is it, {0}?",
      "¿Cómo va, {0}?", "Comment ça va, {0} ?", "Wie geht es, {0}?", "Como está, {0}?"),
  DIARY_FEEL(
      "How does it feel now, 0 nothing to 10 unbearable?",
      "¿Qué siente ahora, de 0 nada a 10 insoportable?",
      "Que ressentez-vous maintenant, de 0 rien à 10 insupportable ?",
      "Wie fühlt es sich jetzt an, 0 nichts bis 10 unerträglich?",
      "O que sente agora, de 0 nada a 10 insuportável?"),
  DIARY_FLAKING("Flakes", "Descamación", "Peaux mortes", "Schuppen", "Descamação"),
  DIARY_REDNESS("Redness", "Rojez", "Rougeur", "Rötung", "Vermelhidão"),
  DIARY_NONE("none", "nada", "rien", "keine", "nenhuma"),
  DIARY_LITTLE("a little", "un poco", "un peu", "wenig", "pouca"),
  DIARY_SOME("some", "algo", "assez", "mittel", "alguma"),
  DIARY_MUCH("much", "mucho", "beaucoup", "viel", "muita"),
  DIARY_ANY_OF_THESE(
      "Is there any of these?",
      "¿Hay algo de esto?",
      "Y a-t-il l’une de ces choses ?",
      "Gibt es etwas davon?",
      "Há alguma destas coisas?"),
  DIARY_OWN_WORDS(
      "In your own words",
      "En sus palabras",
      "Avec vos mots",
      "In Ihren Worten",
      "Por palavras suas"),
  DIARY_PHOTO(
      "A photo, if you like",
      "Una foto, si quiere",
      "Une photo, si vous voulez",
      "Ein Foto, wenn Sie mögen",
      "Uma fotografia, se quiser"),
  DIARY_FLAKES_BEGAN(
      "Flakes began on",
      "La descamación empezó el",
      "La peau a commencé à peler le",
      "Das Schuppen begann am",
      "A descamação começou a"),
  DIARY_FLAKES_ENDED(
      "and were over on", "y terminó el", "et a fini le", "und war vorbei am", "e acabou a"),
  DIARY_SEND("Send", "Enviar", "Envoyer", "Senden", "Mandar"),
  DIARY_CLOSED(
      "This page is closed. Call the practice if anything worries you.",
      "Esta página está cerrada. Llame al centro si algo le preocupa.",
      "Cette page est fermée. Appelez-nous si quelque chose vous inquiète.",
      "Diese Seite ist geschlossen. Rufen Sie die Praxis an, wenn Sie etwas beunruhigt.",
      "Esta página está fechada. Ligue para o centro se algo o preocupar."),
  DIARY_NOT_SENT(
      "Not sent yet: no connection. It stays here; try again.",
      "Aún no se ha enviado: sin conexión. Se queda aquí; inténtelo de nuevo.",
      "Pas encore envoyé : pas de connexion. Cela reste ici ; réessayez.",
      "Noch nicht gesendet: keine Verbindung. Es bleibt hier; versuchen Sie es erneut.",
      "Ainda não enviado: sem ligação. Fica aqui; tente outra vez."),
  // What may be told.
  FACE_SWELLING(
      "swelling of the face",
      "hinchazón de la cara",
      "gonflement du visage",
      "Schwellung im Gesicht",
      "inchaço da cara"),
  BREATHING(
      "trouble with breath",
      "dificultad para respirar",
      "gêne pour respirer",
      "Atemnot",
      "dificuldade em respirar"),
  VISION(
      "trouble with sight",
      "problemas para ver",
      "gêne pour voir",
      "Sehstörung",
      "dificuldade em ver"),
  EYE_PAIN(
      "pain in an eye", "dolor en un ojo", "douleur à un œil", "Schmerz im Auge", "dor num olho"),
  RINGING_EARS(
      "ringing ears",
      "zumbido de oídos",
      "bourdonnements d’oreilles",
      "Ohrensausen",
      "zumbido nos ouvidos"),
  NAUSEA("nausea", "náuseas", "nausées", "Übelkeit", "náusea"),
  FAST_BREATHING(
      "fast breathing",
      "respiración rápida",
      "respiration rapide",
      "schneller Atem",
      "respiração rápida"),
  SPREADING_PAIN(
      "pain that spreads",
      "dolor que se extiende",
      "douleur qui s’étend",
      "Schmerz, der sich ausbreitet",
      "dor que se espalha"),
  HONEY_CRUST(
      "a crust, yellow like honey",
      "una costra amarilla como la miel",
      "une croûte jaune comme du miel",
      "eine Kruste, gelb wie Honig",
      "uma crosta amarela como mel"),
  FEVER("fever", "fiebre", "fièvre", "Fieber", "febre"),
  GROUPED_BLISTERS(
      "small blisters in a group",
      "ampollas pequeñas agrupadas",
      "petites cloques groupées",
      "kleine Bläschen in einer Gruppe",
      "bolhas pequenas agrupadas"),
  A_TINGLING_LIP(
      "a tingling lip",
      "un labio que hormiguea",
      "une lèvre qui picote",
      "eine kribbelnde Lippe",
      "um lábio a formigar"),
  BLISTER("a blister", "una ampolla", "une cloque", "eine Blase", "uma bolha"),
  WEEPING(
      "wet, weeping skin",
      "piel húmeda que supura",
      "peau qui suinte",
      "nässende Haut",
      "pele húmida a verter"),
  GREY_SKIN("grey skin", "piel gris", "peau grise", "graue Haut", "pele cinzenta"),
  SEVERE_ITCH(
      "severe itch", "picor intenso", "fortes démangeaisons", "starkes Jucken", "comichão intensa"),
  RASH("a rash", "una erupción", "une éruption", "ein Ausschlag", "uma erupção"),
  ITCH("some itch", "algo de picor", "un peu de démangeaison", "etwas Jucken", "alguma comichão"),
  DARK_PATCHES(
      "dark patches", "manchas oscuras", "taches foncées", "dunkle Flecken", "manchas escuras"),
  // The home plan.
  HOME_PLAN("At home", "En casa", "À la maison", "Zu Hause", "Em casa"),
  MORNING("Morning", "Mañana", "Matin", "Morgens", "Manhã"),
  NIGHT("Night", "Noche", "Soir", "Abends", "Noite"),
  HOME_FROM(
      "{0}, from {1}",
      "{0}, desde el {1}", "{0}, dès le {1}", "{0}, ab {1}", "{0}, a partir de {1}"),
  HOME_CAPPED(
      "{0}, up to {1} %, on alternate nights, from {2}",
      "{0}, hasta {1} %, en noches alternas, desde el {2}",
      "{0}, jusqu’à {1} %, un soir sur deux, dès le {2}",
      "{0}, bis {1} %, jeden zweiten Abend, ab {2}",
      "{0}, até {1} %, em noites alternadas, a partir de {2}"),
  HOME_ALTERNATE(
      "{0}, on alternate nights, from {1}",
      "{0}, en noches alternas, desde el {1}",
      "{0}, un soir sur deux, dès le {1}",
      "{0}, jeden zweiten Abend, ab {1}",
      "{0}, em noites alternadas, a partir de {1}"),
  OWN_FROM(
      "{0}: again from {1}.",
      "{0}: de nuevo desde el {1}.",
      "{0} : de nouveau dès le {1}.",
      "{0}: wieder ab {1}.",
      "{0}: de novo a partir de {1}."),
  OWN_DROP(
      "{0}: leave it out.",
      "{0}: déjelo.", "{0} : à laisser de côté.", "{0}: weglassen.", "{0}: deixe de usar."),
  OWN_AS_PRESCRIBED(
      "{0}: only as your doctor says.",
      "{0}: solo como diga su médico.",
      "{0} : seulement comme le dit votre médecin.",
      "{0}: nur wie ärztlich gesagt.",
      "{0}: só como o seu médico disser."),
  MAY_NOT_MEET(
      "{0} and {1} do not go together: {2}.",
      "{0} y {1} no van juntos: {2}.",
      "{0} et {1} ne vont pas ensemble : {2}.",
      "{0} und {1} vertragen sich nicht: {2}.",
      "{0} e {1} não combinam: {2}."),
  USE_INSTEAD(
      "Instead: {0}.",
      "En su lugar: {0}.", "À la place : {0}.", "Stattdessen: {0}.", "Em vez disso: {0}."),
  VITAMIN_C_NEUTRAL(
      "vitamin C, neutral form",
      "vitamina C, forma neutra",
      "vitamine C, forme neutre",
      "Vitamin C, neutrale Form",
      "vitamina C em forma neutra"),
  NIACINAMIDE("niacinamide", "niacinamida", "nicotinamide", "Niacinamid", "niacinamida"),
  INHIBITOR(
      "pigment inhibitor",
      "inhibidor de pigmento",
      "inhibiteur de pigment",
      "Pigmenthemmer",
      "inibidor de pigmento"),
  AZELAIC("azelaic acid", "ácido azelaico", "acide azélaïque", "Azelainsäure", "ácido azelaico"),
  MANDELIC_HOME(
      "mandelic acid", "ácido mandélico", "acide mandélique", "Mandelsäure", "ácido mandélico"),
  SALICYLIC_HOME(
      "salicylic acid",
      "ácido salicílico",
      "acide salicylique",
      "Salicylsäure",
      "ácido salicílico"),
  PEROXIDE(
      "benzoyl peroxide",
      "peróxido de benzoílo",
      "peroxyde de benzoyle",
      "Benzoylperoxid",
      "peróxido de benzoílo"),
  RETINOL("retinol", "retinol", "rétinol", "Retinol", "retinol"),
  CERAMIDE_CREAM(
      "cream with ceramides",
      "crema con ceramidas",
      "crème aux céramides",
      "Creme mit Ceramiden",
      "creme com ceramidas"),
  GENTLE_CLEANSER(
      "gentle cleanser", "limpiador suave", "nettoyant doux", "milde Reinigung", "limpeza suave"),
  BLAND_CREAM("bland cream", "crema neutra", "crème neutre", "milde Creme", "creme neutro"),
  MINERAL_SUNSCREEN(
      "mineral sunscreen, SPF 30 or more",
      "protector solar mineral, FPS 30 o más",
      "écran solaire minéral, SPF 30 ou plus",
      "mineralischer Sonnenschutz, LSF 30 oder mehr",
      "protetor solar mineral, FPS 30 ou mais"),
  // Why two products, or a product and a fresh peel, do not go together.
  WHY_COPPER_AND_ASCORBIC(
      "they undo each other", "se anulan", "ils s’annulent", "sie heben sich auf", "anulam-se"),
  WHY_HYDROQUINONE_AND_PEROXIDE(
      "together they stain the skin",
      "juntos manchan la piel",
      "ensemble ils tachent la peau",
      "zusammen verfärben sie die Haut",
      "juntos mancham a pele"),
  WHY_RETINOID(
      "a retinoid on a fresh peel",
      "un retinoide sobre un peeling reciente",
      "un rétinoïde sur un peeling récent",
      "ein Retinoid auf frischem Peeling",
      "um retinoide sobre um peeling recente"),
  WHY_ACID(
      "an acid on a fresh peel",
      "un ácido sobre un peeling reciente",
      "un acide sur un peeling récent",
      "eine Säure auf frischem Peeling",
      "um ácido sobre um peeling recente"),
  WHY_ASCORBIC(
      "vitamin C in acid form on a fresh peel",
      "vitamina C en forma ácida sobre un peeling reciente",
      "vitamine C sous forme acide sur un peeling récent",
      "Vitamin C in Säureform auf frischem Peeling",
      "vitamina C em forma ácida sobre um peeling recente"),
  WHY_CHEMICAL_FILTER(
      "a chemical filter can sting on the same day",
      "un filtro químico puede escocer el mismo día",
      "un filtre chimique peut piquer le jour même",
      "ein chemischer Filter kann am selben Tag brennen",
      "um filtro químico pode arder no mesmo dia"),
  WHY_OCCLUSIVE(
      "heat needs air first",
      "el calor necesita aire primero",
      "la chaleur a d’abord besoin d’air",
      "Wärme braucht zuerst Luft",
      "o calor precisa primeiro de ar"),
  WHY_PEROXIDE(
      "peroxide on a fresh peel",
      "peróxido sobre un peeling reciente",
      "un peroxyde sur un peeling récent",
      "Peroxid auf frischem Peeling",
      "peróxido sobre um peeling recente"),
  WHY_ALCOHOL(
      "alcohol on a fresh peel",
      "alcohol sobre un peeling reciente",
      "de l’alcool sur un peeling récent",
      "Alkohol auf frischem Peeling",
      "álcool sobre um peeling recente"),
  WHY_FRAGRANCE(
      "fragrance on a fresh peel",
      "perfume sobre un peeling reciente",
      "un parfum sur un peeling récent",
      "Duftstoff auf frischem Peeling",
      "perfume sobre um peeling recente"),
  WHY_INHIBITOR(
      "an inhibitor on a fresh peel can sting",
      "un inhibidor sobre un peeling reciente puede escocer",
      "un inhibiteur sur un peeling récent peut piquer",
      "ein Hemmer auf frischem Peeling kann brennen",
      "um inibidor sobre um peeling recente pode arder");

  private final Phrase phrase;

  Sentence(String en, String es, String fr, String de, String pt) {
    this.phrase = new Phrase(en, es, fr, de, pt);
  }

  /// With its places as they are.
  public String in(Language language) {
    return phrase.in(language);
  }

  /// How many places are to be filled.
  int places() {
    return new MessageFormat(phrase.en(), Language.EN.locale()).getFormatsByArgumentIndex().length;
  }
}
