// Takes played on every display and in every language, and the restless visitor, on the command
// line.
#pragma once
#include "command/command.h"

namespace bristle {

struct RehearseMany {
  std::string project;
  std::vector<std::string> displays, languages;  // ids; empty: all
  std::string junit;                             // a file to be written; empty: none
  std::uint64_t restless = 0, seed = 1;          // events; 0: takes are played
  std::string keep;  // a folder for the takes of what is found; empty: they are printed
};

// kFound where a take does not pass, or something is found.
int rehearseAll(const RehearseMany& o, Streams s);
int rehearseRestless(const RehearseMany& o, Streams s);

}  // namespace bristle
