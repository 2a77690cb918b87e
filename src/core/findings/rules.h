// The rules that a project is held to. A new one is a function in a file of its own and a line in
// rules.cpp.
#pragma once
#include <atomic>
#include <span>
#include <variant>

#include "core/findings/finding.h"
#include "core/findings/probes.h"

namespace bristle {

// What a rule may look at besides the part that it judges.
struct Surroundings {
  const Project& project;
  const std::atomic<bool>* stop = nullptr;
  Eyes* eyes = nullptr;  // null: what is seen is not looked at
  bool stopped() const { return stop && stop->load(); }
};

// A rule judges each part of one sort by itself, so that what was found stays while the part and
// what it rests on are the same (review.h).
using KindRule = void (*)(const Surroundings&, const Kind&, Findings&);
using MachineRule = void (*)(const Surroundings&, const Machine&, Findings&);
using ScreenRule = void (*)(const Surroundings&, const Screen&, Findings&);
using ProjectRule = void (*)(const Surroundings&, Findings&);

// `name` is of findings that name no rule themselves.
struct Rule {
  std::string_view name;
  std::variant<KindRule, MachineRule, ScreenRule, ProjectRule> judge;
};
// In the order in which findings are told.
std::span<const Rule> allRules();

// One file each in this folder.
void checkProjectReferences(const Surroundings&, Findings&);
void checkKindReferences(const Surroundings&, const Kind&, Findings&);
void checkScreenReferences(const Surroundings&, const Screen&, Findings&);
void checkConditions(const Surroundings&, const Screen&, Findings&);
void checkSteadyConditions(const Surroundings&, const Screen&, Findings&);
void checkMarks(const Surroundings&, Findings&);
void checkActions(const Surroundings&, const Screen&, Findings&);
void checkShortcutActions(const Surroundings&, Findings&);
void checkNamesUsed(const Surroundings&, const Kind&, Findings&);
void checkAliases(const Surroundings&, Findings&);
void checkStates(const Surroundings&, const Machine&, Findings&);
void checkMachineLaws(const Surroundings&, const Machine&, Findings&);
void checkFocusStart(const Surroundings&, const Screen&, Findings&);
void checkReach(const Surroundings&, const Screen&, Findings&);
void checkClusters(const Surroundings&, const Screen&, Findings&);
void checkPins(const Surroundings&, const Screen&, Findings&);
void checkWraps(const Surroundings&, const Screen&, Findings&);
void checkDisplayRoutes(const Surroundings&, const Screen&, Findings&);
void checkBindings(const Surroundings&, Findings&);
void checkScreenBindings(const Surroundings&, const Screen&, Findings&);
void checkAccessibleNames(const Surroundings&, const Screen&, Findings&);
void checkSeen(const Surroundings&, const Kind&, Findings&);
void checkContrast(const Surroundings&, const Screen&, Findings&);
void checkFadings(const Surroundings&, const Kind&, Findings&);
void checkToldApart(const Surroundings&, const Kind&, Findings&);
void checkHitSize(const Surroundings&, Findings&);
void checkTextSize(const Surroundings&, const Screen&, Findings&);
void checkGlyphs(const Surroundings&, const Screen&, Findings&);
void checkNear(const Surroundings&, const Screen&, Findings&);
void checkPlaces(const Surroundings&, const Screen&, Findings&);
void checkSpokenNames(const Surroundings&, const Screen&, Findings&);
void checkTexts(const Surroundings&, const Screen&, Findings&);
void checkFlow(const Surroundings&, Findings&);
void checkValues(const Surroundings&, Findings&);
void checkUnused(const Surroundings&, Findings&);
void checkAnswers(const Surroundings&, const Machine&, Findings&);
void checkFlashes(const Surroundings&, const Kind&, Findings&);
void checkRows(const Surroundings&, const Screen&, Findings&);
void checkTwins(const Surroundings&, const Kind&, Findings&);
void checkTimingTwins(const Surroundings&, const Machine&, Findings&);
void checkAlignment(const Surroundings&, const Screen&, Findings&);
void checkEndless(const Surroundings&, const Kind&, Findings&);
void checkDescriptions(const Surroundings&, const Screen&, Findings&);
void checkCovered(const Surroundings&, const Screen&, Findings&);

}  // namespace bristle
