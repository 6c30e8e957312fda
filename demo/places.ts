/** A hut of the made-up Highmeadow Dairy Union. `size` is its usual herd. */
export interface Hut {
  readonly hut: string;
  readonly valley: string;
  readonly altitude: number;
  readonly size: number;
}

const hut = (name: string, valley: string, altitude: number, size: number): Hut => ({ hut: name, valley, altitude, size });

/** Huts with their valleys; made-up names. */
export const huts: readonly Hut[] = [
  hut('Ashlatch', 'Brackenfell', 1410, 34),
  hut('Brindlow', 'Brackenfell', 1525, 41),
  hut('Cawdle', 'Brackenfell', 1690, 22),
  hut('Dunmarrow', 'Brackenfell', 1580, 29),
  hut('Elderstack', 'Tolm', 1835, 18),
  hut('Fennick', 'Tolm', 1760, 26),
  hut('Gorsefold', 'Tolm', 1615, 37),
  hut('Hollowmist', 'Tolm', 1940, 15),
  hut('Inkle', 'Auvers Gap', 1720, 24),
  hut('Juniper Rise', 'Auvers Gap', 1550, 44),
  hut('Kettlemoor', 'Auvers Gap', 1485, 48),
  hut('Larkstone', 'Auvers Gap', 1655, 31),
  hut('Mossgate', 'Siddel', 1390, 52),
  hut('Nettlewick', 'Siddel', 1460, 39),
  hut('Oxter', 'Siddel', 1805, 20),
  hut('Pellow', 'Siddel', 1570, 33),
  hut('Quillane', 'Nine Springs', 1880, 17),
  hut('Rushfold', 'Nine Springs', 1500, 46),
  hut('Sorrel Bank', 'Nine Springs', 1640, 28),
  hut('Thistledown', 'Nine Springs', 1710, 25),
];
