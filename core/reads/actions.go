package reads

// actions are all that can be taught, in teaching order. Each is a table in the file of its family; one that is added
// here is judged, drawn, asked and searched like the others.
var actions = []*Action{
	downScreen, awayScreen, pinScreen, flareScreen, exitScreen, hammerScreen, backScreen, highPostScreen,
	crossScreen, firstOfPair, staggerScreen, floppyScreen, changeScreen,
	ballScreen, ballExitScreen, stepUpScreen, ghostScreen, doubleHighScreen,
	handoffScreen, dribbleAtScreen,
	afterFeed, roundPost, feedPost, closeout,
	curled, straightCatch, noPass, driveWing, driveTop, drivePost,
	backDown, zoneTop, zoneWing, zoneCut,
}
