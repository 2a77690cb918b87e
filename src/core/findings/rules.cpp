#include "core/findings/rules.h"

namespace bristle {

std::span<const Rule> allRules() {
  static const Rule kRules[] = {
      {"reference", checkProjectReferences},
      {"reference", checkKindReferences},
      {"reference", checkScreenReferences},
      {"condition", checkConditions},
      {"condition", checkMarks},
      {"steady-condition", checkSteadyConditions},
      {"action", checkActions},
      {"action", checkShortcutActions},
      {"machine", checkStates},
      {"law", checkMachineLaws},
      {"slow-answer", checkAnswers},
      {"flashes", checkFlashes},
      {"endless-motion", checkEndless},
      {"focus start", checkFocusStart},
      {"reach", checkReach},
      {"cluster", checkClusters},
      {"odd-pin", checkPins},
      {"odd-wrap", checkWraps},
      {"display-routes", checkDisplayRoutes},
      {"binding", checkBindings},
      {"binding", checkScreenBindings},
      {"accessible name", checkAccessibleNames},
      {"label-in-name", checkSpokenNames},
      {"no-description", checkDescriptions},
      {"untranslated", checkTexts},
      {"small-text", checkTextSize},
      {"missing-letters", checkGlyphs},
      {"reference", checkNamesUsed},
      {"unseen", checkSeen},
      {"contrast", checkContrast},
      {"contrast-between", checkFadings},
      {"told-apart", checkToldApart},
      {"focus-covered", checkCovered},
      {"hit-size", checkHitSize},
      {"unpinned", checkPlaces},
      {"hit-near", checkNear},
      {"no-way-in", checkFlow},
      {"value", checkValues},
      {"unused", checkUnused},
      {"uneven-row", checkRows},
      {"odd-alignment", checkAlignment},
      {"near-twins", checkTwins},
      {"near-twins", checkTimingTwins},
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
