// The menu as one HTML file that runs by itself: from a folder or a server, with nothing fetched
// from elsewhere. The runtime in it is the project's own, as WebAssembly.
#pragma once
#include <string>
#include <vector>

#include "paint/look_painter.h"
#include "runtime/document/project.h"

namespace bristle {

struct WebPage {
  std::string html;
  std::vector<std::string> left;  // what could not be carried along, and why, in words
};

// Where the module lies that `./dev build wasm` makes; an error that says how to get it.
// $BRISTLE_PAGE_RUNTIME, beside the program's own share folder, or in its build tree.
Result<std::string> pageRuntime();

// `runtime`: the bytes of that module; `folder`: of the project.
Result<WebPage> webPage(const Project& project, LookPainter& looks, const std::string& folder,
                        const std::string& runtime);

}  // namespace bristle
