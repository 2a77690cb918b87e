// How good the routes of a screen are, told on the command line.
#pragma once
#include "command/command.h"

namespace bristle {

struct QualityAsked {
  const Project& project;
  const Screen& screen;
  std::vector<Display> displays;
  LanguageId language;
  bool json = false;
};

// kFound where some button cannot be reached, or focus is trapped, on one of the displays.
int tellQuality(const QualityAsked& asked, Streams s);

}  // namespace bristle
