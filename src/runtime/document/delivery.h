// What is handed over, and to where: a list of outputs that is delivered as a whole.
#pragma once
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "runtime/document/basics.h"
#include "runtime/document/ids.h"

namespace bristle {

// Page: the menu as a web page. Specification: what colleagues are told of it, as HTML and PDF.
// Library: the file that the library for a game's own code runs. Data: every screen laid out, for
// importers of engines. Pictures: a file for each kind in each state. Sheets: the same packed into
// few, with an index. Statecharts: a file for each machine. Tokens, Css: the named values, as
// design tokens and as custom properties. Words: the texts, as a table and a catalogue for each
// language. Routes: the graph of each screen, to be drawn.
enum class OutputSort : std::uint8_t {
  Page,
  Specification,
  Library,
  Data,
  Pictures,
  Sheets,
  Statecharts,
  Tokens,
  Css,
  Words,
  Routes
};
std::span<const std::string_view> outputNames();

struct Output {
  OutputSort sort = OutputSort::Page;
  double scale = 1;   // Pictures, Sheets: px of a picture to a px of the kind, 0.25–4
  bool trim = false;  // Pictures, Sheets: without what is empty around
  // Pictures, Sheets: what stands on screens, too, as it looks there on the first display
  bool placed = false;
  bool captions = true;  // Pictures, Sheets: kinds with their sample captions
  int frames = 0;  // Pictures, Sheets: of each change of state so many pictures a second, 0–120
  std::string since = {};  // Specification: an earlier project file, from the project's own folder
  Extras extra = {};
  bool operator==(const Output&) const = default;
};

inline constexpr int kMostFrames = 120;

struct Delivery {
  DeliveryId id;
  std::string name;
  std::string folder;  // from the project's own folder, or a whole path
  std::vector<Output> outputs;
  Extras extra = {};
  bool operator==(const Delivery&) const = default;
};

}  // namespace bristle
