/** The rooms of the demo as they were measured: tables as anybody could type them, a bare number in millimetres. */

/** An old room over a harbour: a bay towards the water, a chimney breast opposite the door. Walked from its north-west corner. */
export const musicRoomLengths = `what,name,on,length,corner,from,width,bottom,top,depth,detail
ceiling,,,,,,,,2860,,
picture rail,,,,,,,,2300,,
wall,harbour side,,1902,232,,,,,,
wall,bay,,890,128,,,,,,
wall,bay front,,1299,128,,,,,,
wall,bay,,891,232,,,,,,
wall,harbour side,,1898,inside,,,,,,
wall,chimney side,,1501,inside,,,,,,
wall,breast,,380,outside,,,,,,
wall,breast front,,1602,outside,,,,,,
wall,breast,,379,inside,,,,,,
wall,chimney side,,1499,inside,,,,,,
wall,back wall,,6204,inside,,,,,,
wall,hall side,,4598,inside,,,,,,
check,,1-11,7722,,,,,,,
check,,6-12,7718,,,,,,,
check,,1-6,6199,,,,,,,
check,,2-5,2401,,,,,,,
window,Bay window,C,,,90,1120,610,2270,160,
window,Bay light,B,,,150,590,610,2270,160,
window,Bay light,D,,,150,590,610,2270,160,
door,Hall door,M,,,620,840,0,2040,140,"hinge left, swing in, clear 785"
door,Closet door,L,,,420 from end,690,0,1960,120,"hinge right, swing out, clear 640"
niche,Niche,K,,,330,820,900,1900,210,
fireplace,Fireplace,H,,,240,1120,0,1080,60,
radiator,Radiator,A,,,420,1000,140,740,110,
socket,,F,,,420,,300,,,
socket,,L,,,1200,,300,,,
socket,,L,,,4400,,300,,,
switch,,M,,,480,,1150,,,
light point,Ceiling hook,L,,,3100,,2860,,,out 2300
light point,Reading point,L,,,2600,,1700,,,
vent,Vent,K,,,1180,220,2450,2600,,
pipe,Riser,A,,,60,80,0,2860,80,boxed in
`

/** Under the eaves of an inn: the ceiling comes down over the counter, and the windows begin low. */
export const breakfastRoomLengths = `what,name,on,length,corner,from,width,bottom,top,depth,detail
ceiling,,,,,,,,2720,,
dado,,,,,,,,1200,,
wall,street,,7402,inside,,,,,,
wall,servery,,5197,inside,,,,,,
wall,counter,,7398,inside,,,,,,
wall,stairs,,5203,inside,,,,,,
slope,,C,,,,,1950,,1300,
check,,1-3,9046,,,,,,,
check,,2-4,9042,,,,,,,
window,Low window,A,,,700,1500,340,2100,220,
window,Low window,A,,,2950,1500,340,2100,220,
window,Low window,A,,,5200,1500,340,2100,220,
arch,Arch to the servery,B,,,3420,1100,0,2080,180,
door,Street door,D,,,900,960,0,2080,180,"hinge right, swing in, clear 900"
built-in,Counter,C,,,1200,3800,0,950,620,
radiator,Radiator,A,,,2300,520,130,700,90,
socket,,B,,,900,,320,,,
socket,,C,,,5600,,1150,,,
socket,,D,,,3900,,320,,,
switch,,D,,,760,,1100,,,
light point,Pendant,A,,,1850,,2720,,,out 1900
light point,Pendant,A,,,5550,,2720,,,out 1900
vent,Hood,C,,,2600,600,1500,1900,400,
`

/** The servery behind it, through the arch. */
export const serveryLengths = `what,name,on,length,corner,from,width,bottom,top,depth,detail
ceiling,,,,,,,,2450,,
wall,,,2404,inside,,,,,,
wall,,,2398,inside,,,,,,
wall,,,2401,inside,,,,,,
wall,,,2402,inside,,,,,,
check,,1-3,3397,,,,,,,
arch,Arch,D,,,640,1098,0,2080,180,
window,Yard window,B,,,700,900,1150,2050,120,
built-in,Sink run,B,,,0,1900,0,910,600,
socket,,A,,,1200,,1100,,,
`

/** A clubhouse measured in feet by two people and a dog: one wall was read a foot too long. */
export const clubhouseLengths = `what,name,on,length,corner,from,width,bottom,top,depth,detail
ceiling,,,,,,,,8' 2",,
wall,gardens,,18' 0 1/4",inside,,,,,,
wall,shed side,,13' 0",inside,,,,,,
wall,board wall,,17' 11 7/8",inside,,,,,,
wall,path,,12' 0 1/8",inside,,,,,,
check,,1-3,21' 7 5/8",,,,,,,
check,,2-4,21' 7 1/2",,,,,,,
door,Garden door,A,,,20 in,36 in,0,80 in,5 in,"hinge left, swing out, clear 33 in"
window,Garden window,A,,,7',6',38 in,78 in,4 in,
window,Path window,D,,,4',40 in,40 in,74 in,4 in,
built-in,Zinc counter,B,,,1',6',0,36 in,22 in,
fireplace,Stove hearth,C,,,7',4',0,12 in,30 in,
socket,,B,,,50 in,,44 in,,,
socket,,C,,,3',,12 in,,,
switch,,A,,,62 in,,46 in,,,
light point,Lamp hook,A,,,9',,8' 2",,,out 6'
`
