// The pictures of a project as a web page carries them along: in its style sheet.
#pragma once
#include <string>
#include <vector>

#include "paint/pictures.h"
#include "runtime/document/project.h"

namespace bristle {

// One picture as the runtime in the page calls it (markup/part_html.h), its own size in px.
struct PagePicture {
  std::string name;
  std::string data;  // a data: URI
  double w = 0, h = 0;
  bool background = false, mask = false, sliced = false;  // what it is used as
};

// All that kinds and placed buttons may ever show, placed pictures, and the signs of
// prompts. Whole SVG drawings stay drawings; groups of one are made pictures at twice their size.
// What cannot be shown is told by pictures.takeProblems().
std::vector<PagePicture> pagePictures(const Project& project, Pictures& pictures,
                                      const std::string& folder);
// The rules of a style sheet for them; each by its place, from 0.
std::string pageRules(const std::vector<PagePicture>& pictures);

// A file's content as a data: URI.
std::string dataUri(const std::string& type, const std::string& bytes);

}  // namespace bristle
