#include "core/findings/rules.h"

namespace bristle {

std::span<const Rule> allRules() {
  static const Rule kRules[] = {
      {"reference", checkProjectReferences},
      {"reference", checkKindReferences},
      {"reference", checkScreenReferences},
      {"condition", checkConditions},
      {"condition", checkMarks},
      {"action", checkActions},
      {"action", checkShortcutActions},
      {"machine", checkStates},
      {"law", checkMachineLaws},
      {"slow-answer", checkAnswers},
      {"flashes", checkFlashes},
      {"focus start", checkFocusStart},
      {"reach", checkReach},
      {"cluster", checkClusters},
      {"binding", checkBindings},
      {"binding", checkScreenBindings},
      {"accessible name", checkAccessibleNames},
      {"label-in-name", checkSpokenNames},
      {"untranslated", checkTexts},
      {"reference", checkNamesUsed},
      {"unseen", checkSeen},
      {"contrast", checkContrast},
      {"told-apart", checkToldApart},
      {"hit-size", checkHitSize},
      {"unpinned", checkPlaces},
      {"hit-near", checkNear},
      {"no-way-in", checkFlow},
      {"value", checkValues},
      {"unused", checkUnused},
      {"uneven-row", checkRows},
      {"near-twins", checkTwins},
      {"reference", checkAliases},
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
