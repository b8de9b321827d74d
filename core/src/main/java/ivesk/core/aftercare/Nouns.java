package ivesk.core.aftercare;

import ivesk.core.Language;
import ivesk.core.formula.Family;
import ivesk.core.formula.Substance;
import ivesk.core.plan.stage.PrepCalendar;
import ivesk.core.product.Role;
import ivesk.core.skin.Zone;

/// What a client calls the zones of the skin and the acids, in every language of the sheet. Left
/// and right are the client's.
public final class Nouns {
  private Nouns() {}

  public static String of(Role role, Language language) {
    return of(role).in(language);
  }

  public static String of(Family family, Language language) {
    return of(family).in(language);
  }

  public static String of(PrepCalendar.Item item, Language language) {
    return of(item).in(language);
  }

  private static Phrase of(PrepCalendar.Item item) {
    return switch (item) {
      case SUNSCREEN ->
          new Phrase(
              item.words(),
              "protector solar FPS 30 o más, todos los días",
              "écran solaire SPF 30 ou plus, tous les jours",
              "Sonnenschutz LSF 30 oder mehr, jeden Tag",
              "protetor solar FPS 30 ou mais, todos os dias");
      case LOW_HOME_ACID ->
          new Phrase(
              item.words(),
              "última vez del ácido suave en casa, en noches alternas",
              "dernière fois pour l’acide doux à la maison, un soir sur deux",
              "zum letzten Mal die milde Säure zu Hause, jeden zweiten Abend",
              "última vez do ácido suave em casa, em noites alternadas");
      case INHIBITOR ->
          new Phrase(
              item.words(),
              "empezar el inhibidor de pigmento, a diario desde aquí",
              "commencer l’inhibiteur de pigment, chaque jour à partir d’ici",
              "mit dem Pigmenthemmer beginnen, ab hier täglich",
              "começar o inibidor de pigmento, todos os dias a partir daqui");
      case SUN ->
          new Phrase(
              item.words(),
              "última vez de sol fuerte o solárium",
              "dernier jour de soleil fort ou de cabine de bronzage",
              "zum letzten Mal starke Sonne oder Solarium",
              "última vez de sol forte ou solário");
      case FILLER ->
          new Phrase(
              item.words(),
              "último relleno",
              "dernière injection de comblement",
              "letzte Unterspritzung mit Filler",
              "último preenchimento");
      case HAIR ->
          new Phrase(
              item.words(),
              "última depilación con cera, hilo o crema",
              "dernière épilation à la cire, au fil ou à la crème",
              "letzte Haarentfernung mit Wachs, Faden oder Creme",
              "última depilação com cera, linha ou creme");
      case ABRASION ->
          new Phrase(
              item.words(),
              "última microdermoabrasión o cepillado",
              "dernière microdermabrasion ou brossage",
              "letzte Mikrodermabrasion oder Bürstenbehandlung",
              "última microdermoabrasão ou escovagem");
      case TOXIN ->
          new Phrase(
              item.words(),
              "última toxina botulínica",
              "dernière toxine botulique",
              "letztes Botulinumtoxin",
              "última toxina botulínica");
      case PRESCRIBED_RETINOID ->
          new Phrase(
              item.words(),
              "último retinoide con receta",
              "dernier rétinoïde sur ordonnance",
              "letztes verschriebenes Retinoid",
              "último retinoide com receita");
      case RETINOL ->
          new Phrase(
              item.words(),
              "último retinol",
              "dernier rétinol",
              "letztes Retinol",
              "último retinol");
      case HOME_ACID ->
          new Phrase(
              item.words(),
              "último exfoliante, ácido, limpiador ácido o peróxido en casa",
              "dernier gommage, acide, nettoyant acide ou peroxyde à la maison",
              "zum letzten Mal Peeling, Säure, Säurereiniger oder Peroxid zu Hause",
              "último esfoliante, ácido, limpeza ácida ou peróxido em casa");
      case PATCH_TEST ->
          new Phrase(
              item.words(),
              "se hace la prueba de parche; se lee a las 24 y 48 h",
              "pose du test cutané, lu après 24 et 48 h",
              "Hauttest wird gesetzt und nach 24 und 48 Std. abgelesen",
              "faz-se o teste de contacto; lê-se às 24 e 48 h");
      case SHAVE ->
          new Phrase(
              item.words(),
              "último afeitado con cuchilla",
              "dernier rasage au rasoir",
              "letzte Rasur mit der Klinge",
              "última vez da lâmina de barbear");
      case ON_THE_DAY ->
          new Phrase(
              item.words(),
              "sin maquillaje, sin ejercicio antes, sin lentillas",
              "sans maquillage, sans sport avant, lentilles retirées",
              "kein Make-up, vorher kein Sport, Kontaktlinsen heraus",
              "sem maquilhagem, sem exercício antes, sem lentes de contacto");
    };
  }

  static Phrase of(Substance substance) {
    return switch (substance) {
      case GLYCOLIC ->
          new Phrase(
              "glycolic acid",
              "ácido glicólico",
              "acide glycolique",
              "Glykolsäure",
              "ácido glicólico");
      case LACTIC ->
          new Phrase(
              "lactic acid", "ácido láctico", "acide lactique", "Milchsäure", "ácido lático");
      case MANDELIC ->
          new Phrase(
              "mandelic acid",
              "ácido mandélico",
              "acide mandélique",
              "Mandelsäure",
              "ácido mandélico");
      case SALICYLIC ->
          new Phrase(
              "salicylic acid or aspirin",
              "ácido salicílico o aspirina",
              "acide salicylique ou aspirine",
              "Salicylsäure oder Aspirin",
              "ácido salicílico ou aspirina");
      case TCA ->
          new Phrase(
              "trichloroacetic acid",
              "ácido tricloroacético",
              "acide trichloracétique",
              "Trichloressigsäure",
              "ácido tricloroacético");
      case PYRUVIC ->
          new Phrase(
              "pyruvic acid",
              "ácido pirúvico",
              "acide pyruvique",
              "Brenztraubensäure",
              "ácido pirúvico");
      case CITRIC ->
          new Phrase(
              "citric acid", "ácido cítrico", "acide citrique", "Zitronensäure", "ácido cítrico");
      case MALIC ->
          new Phrase("malic acid", "ácido málico", "acide malique", "Apfelsäure", "ácido málico");
      case TARTARIC ->
          new Phrase(
              "tartaric acid",
              "ácido tartárico",
              "acide tartrique",
              "Weinsäure",
              "ácido tartárico");
      case AZELAIC ->
          new Phrase(
              "azelaic acid",
              "ácido azelaico",
              "acide azélaïque",
              "Azelainsäure",
              "ácido azelaico");
      case GLUCONOLACTONE ->
          new Phrase(
              "gluconolactone",
              "gluconolactona",
              "gluconolactone",
              "Gluconolacton",
              "gluconolactona");
      case RESORCINOL ->
          new Phrase("resorcinol", "resorcinol", "résorcinol", "Resorcin", "resorcinol");
      case RETINOL -> new Phrase("retinol", "retinol", "rétinol", "Retinol", "retinol");
      case FIG -> new Phrase("fig", "higo", "figue", "Feige", "figo");
      case PAPAYA -> new Phrase("papaya", "papaya", "papaye", "Papaya", "papaia");
      case PINEAPPLE -> new Phrase("pineapple", "piña", "ananas", "Ananas", "ananás");
      case PUMPKIN -> new Phrase("pumpkin", "calabaza", "courge", "Kürbis", "abóbora");
    };
  }

  static Phrase of(Zone zone) {
    return switch (zone) {
      case FOREHEAD -> new Phrase("forehead", "frente", "front", "Stirn", "testa");
      case GLABELLA ->
          new Phrase(
              "between the brows",
              "entrecejo",
              "entre les sourcils",
              "zwischen den Brauen",
              "entre as sobrancelhas");
      case TEMPLE_RIGHT ->
          new Phrase(
              "right temple", "sien derecha", "tempe droite", "rechte Schläfe", "têmpora direita");
      case TEMPLE_LEFT ->
          new Phrase(
              "left temple", "sien izquierda", "tempe gauche", "linke Schläfe", "têmpora esquerda");
      case EYE_RIGHT ->
          new Phrase(
              "around the right eye",
              "contorno del ojo derecho",
              "contour de l’œil droit",
              "um das rechte Auge",
              "contorno do olho direito");
      case EYE_LEFT ->
          new Phrase(
              "around the left eye",
              "contorno del ojo izquierdo",
              "contour de l’œil gauche",
              "um das linke Auge",
              "contorno do olho esquerdo");
      case NOSE -> new Phrase("nose", "nariz", "nez", "Nase", "nariz");
      case CHEEK_RIGHT ->
          new Phrase(
              "right cheek", "mejilla derecha", "joue droite", "rechte Wange", "bochecha direita");
      case CHEEK_LEFT ->
          new Phrase(
              "left cheek", "mejilla izquierda", "joue gauche", "linke Wange", "bochecha esquerda");
      case UPPER_LIP ->
          new Phrase(
              "upper lip", "labio superior", "lèvre supérieure", "Oberlippe", "lábio superior");
      case CHIN -> new Phrase("chin", "mentón", "menton", "Kinn", "queixo");
      case JAW_RIGHT ->
          new Phrase(
              "right jawline",
              "línea de la mandíbula derecha",
              "mâchoire droite",
              "rechte Kieferlinie",
              "linha do maxilar direita");
      case JAW_LEFT ->
          new Phrase(
              "left jawline",
              "línea de la mandíbula izquierda",
              "mâchoire gauche",
              "linke Kieferlinie",
              "linha do maxilar esquerda");
      case NECK -> new Phrase("neck", "cuello", "cou", "Hals", "pescoço");
      case DECOLLETAGE -> new Phrase("décolletage", "escote", "décolleté", "Dekolleté", "decote");
      case HAND_RIGHT ->
          new Phrase(
              "back of the right hand",
              "dorso de la mano derecha",
              "dos de la main droite",
              "rechter Handrücken",
              "dorso da mão direita");
      case HAND_LEFT ->
          new Phrase(
              "back of the left hand",
              "dorso de la mano izquierda",
              "dos de la main gauche",
              "linker Handrücken",
              "dorso da mão esquerda");
      case BACK_UPPER ->
          new Phrase(
              "upper back",
              "parte alta de la espalda",
              "haut du dos",
              "oberer Rücken",
              "parte alta das costas");
      case BACK_LOWER ->
          new Phrase(
              "lower back",
              "parte baja de la espalda",
              "bas du dos",
              "unterer Rücken",
              "parte baixa das costas");
      case CHEST -> new Phrase("chest", "pecho", "poitrine", "Brust", "peito");
      case ARM_RIGHT ->
          new Phrase(
              "right upper arm", "brazo derecho", "bras droit", "rechter Oberarm", "braço direito");
      case ARM_LEFT ->
          new Phrase(
              "left upper arm",
              "brazo izquierdo",
              "bras gauche",
              "linker Oberarm",
              "braço esquerdo");
      case THIGH_RIGHT ->
          new Phrase(
              "right thigh",
              "muslo derecho",
              "cuisse droite",
              "rechter Oberschenkel",
              "coxa direita");
      case THIGH_LEFT ->
          new Phrase(
              "left thigh",
              "muslo izquierdo",
              "cuisse gauche",
              "linker Oberschenkel",
              "coxa esquerda");
    };
  }

  static Phrase of(Family family) {
    return switch (family) {
      case PHA ->
          new Phrase(
              "gluconolactone",
              "gluconolactona",
              "gluconolactone",
              "Gluconolacton",
              "gluconolactona");
      case ENZYME ->
          new Phrase(
              "enzyme mask",
              "mascarilla enzimática",
              "masque enzymatique",
              "Enzymmaske",
              "máscara enzimática");
      case LACTIC ->
          new Phrase(
              "lactic acid", "ácido láctico", "acide lactique", "Milchsäure", "ácido lático");
      case MANDELIC ->
          new Phrase(
              "mandelic acid",
              "ácido mandélico",
              "acide mandélique",
              "Mandelsäure",
              "ácido mandélico");
      case AZELAIC_MANDELIC ->
          new Phrase(
              "azelaic and mandelic acid",
              "ácidos azelaico y mandélico",
              "acides azélaïque et mandélique",
              "Azelain- und Mandelsäure",
              "ácidos azelaico e mandélico");
      case GLYCOLIC ->
          new Phrase(
              "glycolic acid",
              "ácido glicólico",
              "acide glycolique",
              "Glykolsäure",
              "ácido glicólico");
      case SALICYLIC ->
          new Phrase(
              "salicylic acid",
              "ácido salicílico",
              "acide salicylique",
              "Salicylsäure",
              "ácido salicílico");
      case JESSNER ->
          new Phrase(
              "Jessner’s solution",
              "solución de Jessner",
              "solution de Jessner",
              "Jessner-Lösung",
              "solução de Jessner");
      case PYRUVIC ->
          new Phrase(
              "pyruvic acid",
              "ácido pirúvico",
              "acide pyruvique",
              "Brenztraubensäure",
              "ácido pirúvico");
      case TCA ->
          new Phrase(
              "trichloroacetic acid (TCA)",
              "ácido tricloroacético (TCA)",
              "acide trichloracétique (TCA)",
              "Trichloressigsäure (TCA)",
              "ácido tricloroacético (TCA)");
      case RESORCINOL ->
          new Phrase("resorcinol", "resorcina", "résorcinol", "Resorcin", "resorcinol");
      case LONG_WEAR ->
          new Phrase(
              "long-wear acid mask",
              "mascarilla ácida de larga exposición",
              "masque acide longue pose",
              "Säuremaske mit langer Einwirkzeit",
              "máscara ácida de longa exposição");
      case SPOT ->
          new Phrase(
              "spot treatment",
              "tratamiento puntual",
              "traitement local",
              "Punktbehandlung",
              "tratamento pontual");
      case EYE ->
          new Phrase(
              "eye contour peel",
              "peeling del contorno de ojos",
              "peeling du contour des yeux",
              "Peeling um die Augen",
              "peeling do contorno dos olhos");
      case RETINOID -> new Phrase("retinoid", "retinoide", "rétinoïde", "Retinoid", "retinoide");
    };
  }

  static Phrase of(Role role) {
    return switch (role) {
      case MAKE_UP_REMOVER ->
          new Phrase(
              "make-up remover",
              "desmaquillante",
              "démaquillant",
              "Make-up-Entferner",
              "desmaquilhante");
      case CLEANSER ->
          new Phrase(
              "gentle cleanser",
              "limpiador suave",
              "nettoyant doux",
              "milde Reinigung",
              "limpeza suave");
      case ACID_WASH ->
          new Phrase(
              "acid wash",
              "limpiador ácido",
              "nettoyant acide",
              "saure Reinigung",
              "limpeza ácida");
      case SOLVENT_WIPE ->
          new Phrase(
              "solvent wipe",
              "toallita con disolvente",
              "lingette au solvant",
              "Lösungsmitteltuch",
              "toalhete com solvente");
      case ACID_PREP ->
          new Phrase(
              "acid prep",
              "preparación ácida",
              "préparation acide",
              "saure Vorbereitung",
              "preparação ácida");
      case BARRIER -> new Phrase("barrier", "barrera", "barrière", "Schutzbarriere", "barreira");
      case NEUTRALISER ->
          new Phrase(
              "neutraliser", "neutralizante", "neutralisant", "Neutralisierer", "neutralizante");
      case COMPRESS ->
          new Phrase(
              "cool compress",
              "compresa fría",
              "compresse fraîche",
              "kühle Kompresse",
              "compressa fria");
      case TONER -> new Phrase("toner", "tónico", "lotion tonique", "Gesichtswasser", "tónico");
      case SERUM ->
          new Phrase(
              "calming serum",
              "sérum calmante",
              "sérum apaisant",
              "beruhigendes Serum",
              "sérum calmante");
      case MASK -> new Phrase("mask", "mascarilla", "masque", "Maske", "máscara");
      case MOISTURISER ->
          new Phrase("bland cream", "crema neutra", "crème neutre", "milde Creme", "creme neutro");
      case EYE_CARE ->
          new Phrase(
              "eye care", "cuidado de ojos", "soin des yeux", "Augenpflege", "cuidado de olhos");
      case LIP_CARE ->
          new Phrase(
              "lip care",
              "cuidado de labios",
              "soin des lèvres",
              "Lippenpflege",
              "cuidado de lábios");
      case SUNSCREEN ->
          new Phrase(
              "mineral sunscreen",
              "protector solar mineral",
              "écran solaire minéral",
              "mineralischer Sonnenschutz",
              "protetor solar mineral");
      case FINISHER ->
          new Phrase("finisher", "acabado", "finition", "Abschlusspflege", "acabamento");
      case HOME_CARE ->
          new Phrase(
              "home care",
              "cuidado en casa",
              "soin à la maison",
              "Pflege zu Hause",
              "cuidado em casa");
    };
  }
}
