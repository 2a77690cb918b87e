// The program's log: a rotating file in the user's state folder, for when something went wrong.
//
// What is logged at `info` and above holds neither captions nor names nor paths of a person's work;
// those may only stand at `debug`, which is written when asked for with --verbose.
#pragma once
#include <string>

namespace bristle {

// $XDG_STATE_HOME/bristle, or where the XDG Base Directory Specification puts it: what lasts
// between runs but is not the person's data.
std::string stateFolder();

// Begins to log into stateFolder()/log/bristle.log: 1 MB, the three before it are kept. `verbose`
// adds `debug` and prints all on stderr, too. Where the file cannot be written nothing is logged:
// that must keep nobody from working.
void startLog(bool verbose);

}  // namespace bristle
