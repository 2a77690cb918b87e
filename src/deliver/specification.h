// What colleagues who have no Bristle are told of a menu: every kind in all its states, machines,
// screens with their measures and routes, names, bindings and sounds. Made as plain sections, which
// specHtml and specPdf write down.
#pragma once
#include <QImage>
#include <functional>
#include <optional>
#include <string>
#include <vector>

#include "runtime/document/project.h"

namespace bristle {

class LookPainter;

// Against an earlier version of the project.
enum class SpecChange : std::uint8_t { None, New, Changed };

struct SpecCell {
  SpecCell(std::string words = {}) : text(std::move(words)) {}
  SpecCell(std::string words, Colour colour) : text(std::move(words)), swatch(colour) {}
  std::string text;
  std::optional<Colour> swatch = {};
};

// `key` is the same in every version of what the row is of.
struct SpecRow {
  std::string key;
  std::vector<SpecCell> cells;
  SpecChange change = SpecChange::None;
  std::string was = {};  // what was otherwise, in words
};

struct SpecFigure {
  std::string key;
  QImage image;      // may have more px than it is wide
  double width = 0;  // px, as large as it is shown
  std::string caption;
  SpecChange change = SpecChange::None;
  bool exact = true;  // px by px; else it may be packed like a photograph
};

struct SpecSection {
  int level = 1;   // 1–3
  std::string id;  // the same in every version of what it is of; of letters, digits and hyphens
  std::string title, text = {};
  std::vector<SpecFigure> figures = {};
  std::vector<std::string> head = {};  // of the table; as many as each row has cells
  std::vector<SpecRow> rows = {};
  SpecChange change = SpecChange::None;
};

struct Specification {
  std::string title, about;
  std::string since = {};         // the earlier version, in words; empty: there is none
  std::vector<std::string> gone;  // titles of what is there no more
  std::vector<SpecSection> sections;
};

struct SpecAsked {
  const Project& project;
  LookPainter& looks;
  // Stopped where it returns false.
  std::function<bool(int done, int all)> progress = {};
};
// Needs a QGuiApplication. Nothing where it was stopped. What could not be shown is told by
// looks.pictures().takeProblems().
std::optional<Specification> specify(const SpecAsked& asked);

// Marks in `now` what is new in it or otherwise than in `before`.
void markChanges(Specification& now, const Specification& before, const std::string& since);

// “Marked is what has changed since …”; empty where it was held against nothing.
std::string changeWords(const Specification& spec);

// One page that carries all with it.
std::string specHtml(const Specification& spec);
// A4, lying. The same specification gives the same bytes.
std::string specPdf(const Specification& spec);

}  // namespace bristle
