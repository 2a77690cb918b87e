#include "core/findings/rules.h"

namespace bristle {

std::span<const Rule> allRules() {
  using enum Severity;
  static const Rule kRules[] = {
      {"reference", "What is referred to is there.", Error, checkProjectReferences},
      {"reference", "What is referred to is there.", Error, checkKindReferences},
      {"reference", "What is referred to is there.", Error, checkScreenReferences},
      {"condition", "What is asked of values can be answered.", Error, checkConditions},
      {"condition", "What is asked of values can be answered.", Error, checkMarks},
      {"action", "What a button does can be done.", Error, checkActions},
      {"action", "What a button does can be done.", Error, checkShortcutActions},
      {"machine", "A machine can run.", Error, checkStates},
      {"law", "A machine keeps the ten laws.", Error, checkMachineLaws},
      {"focus start", "A screen says where focus starts.", Warning, checkFocusStart},
      {"reach", "The directions lead from every button to every other.", Error, checkReach},
      {"cluster", "Focus comes into a cluster and out of it as it says.", Warning, checkClusters},
      {"binding", "Keys and controller buttons do one thing each, and all that is needed.", Error,
       checkBindings},
      {"binding", "Keys and controller buttons do one thing each, and all that is needed.", Error,
       checkScreenBindings},
      {"accessible name", "A screen reader can say what a button is.", Warning,
       checkAccessibleNames},
      {"reference", "What is referred to is there.", Error, checkNamesUsed},
      {"unseen", "A button can be seen in every state.", Warning, checkSeen},
      {"hit-size", "A button is large enough to be hit (WCAG 2.2 §2.5.8).", Warning, checkHitSize},
      {"hit-overlap", "Hit areas do not lie over each other.", Note, checkOverlaps},
      {"reference", "What is referred to is there.", Error, checkAliases},
  };
  return kRules;
}

std::string_view nameOf(Severity severity) {
  switch (severity) {
    case Severity::Error:
      return "error";
    case Severity::Warning:
      return "warning";
    case Severity::Note:
      return "note";
  }
  return {};
}

}  // namespace bristle
