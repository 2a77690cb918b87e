// The sections of a specification, area by area; for specify() alone.
#pragma once
#include "deliver/specification.h"
#include "paint/screen_painter.h"

namespace bristle {

// What the sections are made with.
struct SpecMaking {
  const Project& project;
  LookPainter& looks;
  LookTables tables = {};
  std::function<bool()> goesOn = {};  // called after each piece of work; false: stop
};

inline constexpr double kFigureSharp = 2;  // px of a figure to a px of what it shows

using SpecSections = std::vector<SpecSection>;

void specifyKinds(SpecMaking& making, SpecSections& out);
void specifyMachines(SpecMaking& making, SpecSections& out);
void specifyScreens(SpecMaking& making, SpecSections& out);
// Displays and languages, named values, values, bindings, sounds.
void specifyProject(SpecMaking& making, SpecSections& out);

// How many pieces of work they come to.
int specWork(const Project& project);

// “12”, “12.5”: at most one decimal.
std::string shortNumber(double number);
// “180 ms”.
std::string msWords(Ms ms);

}  // namespace bristle
