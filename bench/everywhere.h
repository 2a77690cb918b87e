// A project on six displays and in three languages, whatever it has of them.
#pragma once
#include <string>

#include "runtime/document/project.h"

namespace bristle {

inline void everywhere(Project& p) {
  for (size_t i = 0; p.displays.size() < 6; ++i) {
    p.displays.push_back(Display(p.displays[i]));
    p.displays.back().id.text += "-more";
  }
  while (p.languages.size() < 3) {
    p.languages.push_back(Language(p.languages[0]));
    p.languages.back().id = {"more" + std::to_string(p.languages.size())};
  }
}

}  // namespace bristle
