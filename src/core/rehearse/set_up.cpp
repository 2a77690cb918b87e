#include "core/rehearse/set_up.h"

#include <algorithm>

namespace bristle {

Project asSetUp(Project project, const SetUp& setUp, const LanguageId& language) {
  if (setUp.dark) project.settings.darkSet = *setUp.dark;
  for (Language& each : project.languages)
    if (setUp.rightToLeft && each.id == languageOf(project, language).id)
      each.rightToLeft = *setUp.rightToLeft;
  for (ProjectValue& each : project.values)
    if (const auto start = setUp.starts.find(each.id); start != setUp.starts.end())
      each.start = within(each, start->second);
  return project;
}

}  // namespace bristle
