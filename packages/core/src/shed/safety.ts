import type { CardId } from '../records/index.js';

/** A short, usual caution for one hazard. */
export interface SafetyCard {
  readonly title: string;
  readonly lines: readonly string[];
}

/**
 * Cards for the hazards of the shed and the machine, shown where the hazard is met. Usual cautions, common practice, no source; the
 * maker's book, local rules and licensed trades decide. None of them says that a place is safe.
 */
export const SAFETY_CARDS = {
  headerLock: {
    title: 'Under the header',
    lines: [
      'Header all the way up, both cylinder stops down.',
      'Engine off, key in your pocket.',
      'Nobody goes under a header that only oil holds up.',
    ],
  },
  shutDown: {
    title: 'Before a hand reaches in',
    lines: [
      'Separator and header off, engine off, key in your pocket.',
      'Wait until everything has stopped: a rotor turns on for a long time.',
      'Electric drives: locked out, with your own lock and tag.',
    ],
  },
  shafts: {
    title: 'Turning shafts, belts and augers',
    lines: [
      'All guards on before it turns.',
      'No loose sleeves, no gloves near what turns, hair tied.',
      'Clear a plug with the power off, never with a foot or a hand.',
    ],
  },
  overheadLines: {
    title: 'Wires overhead',
    lines: [
      'Auger, dump box and antenna down before it moves.',
      'Walk the way first and look up; a helper watches the top.',
      'After a touch: stay on the machine, call the power company.',
    ],
  },
  roading: {
    title: 'On the road',
    lines: [
      'Header on its cart, auger folded, tank empty.',
      'Belt on; lights, flashers and the slow-moving sign clean.',
      'Width and escort as local law asks; not at dusk if it can wait.',
    ],
  },
  hotBearing: {
    title: 'Hot bearings and dust',
    lines: [
      'Stop, and look with a hand-held thermometer, not with a hand.',
      'Blow chaff off engine, exhaust and brakes at every fill of fuel.',
      'Extinguishers in reach; know who calls and which way leads out.',
    ],
  },
  hitching: {
    title: 'Hitching',
    lines: [
      'Nobody between tractor and cart while it moves.',
      'Pin, clip and chain; jack up, wheels chocked before unhitching.',
      'Towing: rated strap, everybody clear of its line.',
    ],
  },
  lifting: {
    title: 'Lifting and blocking',
    lines: [
      'Concaves and plates are heavy: a hoist, not a back.',
      'Stands under the frame on firm ground before a wheel comes off.',
      'Stand aside when a tire takes air.',
    ],
  },
  binEntry: {
    title: 'Bins',
    lines: [
      'Look from the hatch or from the ground; going in is the last resort.',
      'Unload locked out, air checked, harness and line, a second person outside who stays.',
      'Never onto grain that hangs or has a crust.',
    ],
  },
} as const satisfies Record<CardId, SafetyCard>;

/** Stands under every card. */
export const CARD_FOOT = 'Follow the operator’s manual and local rules.';

/** The same cards in Spanish: half a harvest crew reads them better. */
export const SAFETY_CARDS_ES: Readonly<Record<CardId, SafetyCard>> = {
  headerLock: {
    title: 'Debajo del cabezal',
    lines: [
      'Cabezal hasta arriba, los dos topes de cilindro abajo.',
      'Motor apagado, la llave en su bolsa.',
      'Nadie entra debajo de un cabezal que solo sostiene el aceite.',
    ],
  },
  shutDown: {
    title: 'Antes de meter la mano',
    lines: [
      'Separador y cabezal apagados, motor apagado, la llave en su bolsa.',
      'Espere a que todo pare: un rotor sigue girando mucho rato.',
      'Motores eléctricos: con candado y etiqueta propios.',
    ],
  },
  shafts: {
    title: 'Flechas, bandas y sinfines que giran',
    lines: [
      'Todas las guardas puestas antes de que gire.',
      'Sin mangas sueltas, sin guantes cerca de lo que gira, el pelo recogido.',
      'Destape con la fuerza apagada, nunca con el pie ni con la mano.',
    ],
  },
  overheadLines: {
    title: 'Cables de luz arriba',
    lines: [
      'Sinfín, caja y antena abajo antes de moverse.',
      'Camine primero el paso y mire hacia arriba; un ayudante vigila la punta.',
      'Si tocó un cable: quédese en la máquina y llame a la compañía de luz.',
    ],
  },
  roading: {
    title: 'En la carretera',
    lines: [
      'Cabezal en su carro, sinfín plegado, tanque vacío.',
      'Cinturón puesto; luces, intermitentes y triángulo limpios.',
      'Ancho y escolta como pide la ley local; no al anochecer si puede esperar.',
    ],
  },
  hotBearing: {
    title: 'Baleros calientes y polvo',
    lines: [
      'Pare y mida con un termómetro de mano, no con la mano.',
      'Sople la paja del motor, el escape y los frenos cada vez que cargue combustible.',
      'Extintores a la mano; que se sepa quién llama y por dónde se sale.',
    ],
  },
  hitching: {
    title: 'Al enganchar',
    lines: [
      'Nadie entre el tractor y la tolva mientras se mueve.',
      'Perno, seguro y cadena; gato arriba, llantas calzadas antes de desenganchar.',
      'Al jalar: correa de su capacidad y todos lejos de su línea.',
    ],
  },
  lifting: {
    title: 'Levantar y calzar',
    lines: [
      'Los cóncavos y las placas pesan: una grúa, no la espalda.',
      'Soportes bajo el bastidor en suelo firme antes de quitar una llanta.',
      'Hágase a un lado cuando una llanta toma aire.',
    ],
  },
  binEntry: {
    title: 'Silos',
    lines: [
      'Mire desde la tapa o desde el suelo; entrar es lo último.',
      'Descarga con candado, aire revisado, arnés y línea, y otra persona afuera que no se va.',
      'Nunca sobre grano colgado o con costra.',
    ],
  },
};
export const CARD_FOOT_ES = 'Siga el libro del fabricante y las reglas locales.';
