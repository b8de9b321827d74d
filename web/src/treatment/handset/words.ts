/** What the client's phone says, in the client's language: the phone's own. */
export interface HandsetWords {
  code: string;
  enter: string;
  hello: (name: string) => string;
  how: string;
  nothing: string;
  most: string;
  hot: string;
  howHot: string;
  back: string;
  stop: string;
  stopped: string;
  heard: (value: number) => string;
  notHeard: string;
  aloud: string;
  clicker: string;
  cues: Record<"COLD_NOW" | "TWO_MINUTES_LEFT" | "COMES_OFF", string>;
}

const EN: HandsetWords = {
  code: "The six letters",
  enter: "Open",
  hello: (name) => `Hello ${name}`,
  how: "How does it feel?",
  nothing: "nothing",
  most: "unbearable",
  hot: "Hotter in one place",
  howHot: "How hot there?",
  back: "Back",
  stop: "STOP",
  stopped: "Stop was said. Your therapist sees it.",
  heard: (value) => `Heard: ${value}`,
  notHeard: "Not heard yet. Say it aloud too.",
  aloud: "Read aloud",
  clicker: "Clicker: as many clicks as the number",
  cues: {
    COLD_NOW: "Cold now",
    TWO_MINUTES_LEFT: "Two minutes left",
    COMES_OFF: "It comes off now",
  },
};

const ES: HandsetWords = {
  code: "Las seis letras",
  enter: "Abrir",
  hello: (name) => `Hola, ${name}`,
  how: "¿Qué siente?",
  nothing: "nada",
  most: "insoportable",
  hot: "Más fuerte en un sitio",
  howHot: "¿Cuánto ahí?",
  back: "Volver",
  stop: "PARAR",
  stopped: "Ha pedido parar. Su terapeuta lo ve.",
  heard: (value) => `Recibido: ${value}`,
  notHeard: "Aún no ha llegado. Dígalo también en voz alta.",
  aloud: "Leer en voz alta",
  clicker: "Pulsador: tantas pulsaciones como el número",
  cues: {
    COLD_NOW: "Ahora frío",
    TWO_MINUTES_LEFT: "Quedan dos minutos",
    COMES_OFF: "Ahora se retira",
  },
};

const FR: HandsetWords = {
  code: "Les six lettres",
  enter: "Ouvrir",
  hello: (name) => `Bonjour ${name}`,
  how: "Que ressentez-vous ?",
  nothing: "rien",
  most: "insupportable",
  hot: "Plus fort à un endroit",
  howHot: "Combien à cet endroit ?",
  back: "Retour",
  stop: "STOP",
  stopped: "Vous avez dit stop. Votre praticienne le voit.",
  heard: (value) => `Reçu : ${value}`,
  notHeard: "Pas encore reçu. Dites-le aussi à voix haute.",
  aloud: "Lire à voix haute",
  clicker: "Bouton : autant de pressions que le nombre",
  cues: {
    COLD_NOW: "Froid maintenant",
    TWO_MINUTES_LEFT: "Encore deux minutes",
    COMES_OFF: "On retire maintenant",
  },
};

const DE: HandsetWords = {
  code: "Die sechs Buchstaben",
  enter: "Öffnen",
  hello: (name) => `Hallo ${name}`,
  how: "Wie fühlt es sich an?",
  nothing: "nichts",
  most: "unerträglich",
  hot: "An einer Stelle stärker",
  howHot: "Wie stark dort?",
  back: "Zurück",
  stop: "STOPP",
  stopped: "Stopp ist gesagt. Ihre Behandlerin sieht es.",
  heard: (value) => `Angekommen: ${value}`,
  notHeard: "Noch nicht angekommen. Sagen Sie es auch laut.",
  aloud: "Vorlesen",
  clicker: "Taster: so oft drücken wie die Zahl",
  cues: {
    COLD_NOW: "Jetzt kalt",
    TWO_MINUTES_LEFT: "Noch zwei Minuten",
    COMES_OFF: "Jetzt kommt es ab",
  },
};

const PT: HandsetWords = {
  code: "As seis letras",
  enter: "Abrir",
  hello: (name) => `Olá, ${name}`,
  how: "O que sente?",
  nothing: "nada",
  most: "insuportável",
  hot: "Mais forte num ponto",
  howHot: "Quanto aí?",
  back: "Voltar",
  stop: "PARAR",
  stopped: "Pediu para parar. A sua terapeuta vê.",
  heard: (value) => `Recebido: ${value}`,
  notHeard: "Ainda não chegou. Diga também em voz alta.",
  aloud: "Ler em voz alta",
  clicker: "Botão: tantos toques como o número",
  cues: {
    COLD_NOW: "Agora frio",
    TWO_MINUTES_LEFT: "Faltam dois minutos",
    COMES_OFF: "Agora sai",
  },
};

const ALL: Record<string, HandsetWords> = { en: EN, es: ES, fr: FR, de: DE, pt: PT };

/** English where the phone speaks none of the others. */
export function wordsFor(language: string): HandsetWords {
  return ALL[language.slice(0, 2).toLowerCase()] ?? EN;
}
