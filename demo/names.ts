/** Made-up names from many cultures, written for this project; of no known person. Given name, then family name. */
export const ALDER = [
  "Amadi Nwosu-Bell", "Anouk Ferrand", "Bashir Qadri", "Brisa Caldeira", "Caoimhe Ó Lorcáin", "Dario Pellandini", "Elif Yurtsever",
  "Farrukh Saidov", "Greta Jorstad", "Hana Kobashi", "Idris Tambourah", "Ilse Vandersloot", "Jonas Ekelund", "Keziah Wambui-Hart",
  "Kofi Asante-Moor", "Lucía Garriz", "Matteo Ubaldini", "Mirela Dobrescu", "Niamh Xiberras", "Oisín Breathnach", "Omar Zeroual",
  "Petra Ilievska", "Priya Raghunath", "Sunniva Haugland", "Teodor Markovski", "Wen Liangyu",
] as const;

export const ROWAN = [
  "Abebe Fantaye", "Aroha Tawhara", "Bjarni Sturluson-Vik", "Catalina Mondragal", "Davit Kapanadze", "Emeka Obidike", "Freya Lindqvarn",
  "Gulnara Bekova", "Henrik Aasbøl", "Inés Carrascal", "Jamila Boukhari", "Kaito Murasame", "Leilani Kahale", "Milos Radenko",
  "Noor-Jahan Siddiq", "Oona Pihlava", "Pavel Hrdlicek", "Quynh Dao-Le", "Rasmus Thorvang", "Saoirse Mac Giolla", "Tariq Benhamza",
  "Ulla Nieminaho", "Viktor Stoyanchev", "Yara Haddadin",
] as const;

/** For the example file that ships with the application. */
export const HAZEL = [
  "Aino Kettula", "Ayo Balogun-Price", "Bilal Rahmouni", "Céline Dauvergne", "Dagny Solheim", "Eamon Garvin-Roe", "Esi Quartey",
  "Fatima Zahiri", "Gael Monterrubio", "Haruka Shirosawa", "Ivo Petkanov", "Jorun Bakkevoll", "Kalinda Moyo", "Leif Strandgaard",
  "Maya Venkatesan", "Milan Jelavic", "Naledi Khumo", "Orla Fennimore", "Paulo Figueirinha", "Rania Khatabi", "Sami Virtakoski",
  "Signe Aldermoss", "Tuan Phamvo", "Ursula Wendelin", "Xiomara Peñaloza", "Zoran Milutic",
] as const;

export function parts(name: string): { givenName: string; familyName: string } {
  const space = name.indexOf(" ");
  return { givenName: name.slice(0, space), familyName: name.slice(space + 1) };
}
