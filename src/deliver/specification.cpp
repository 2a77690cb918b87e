#include "deliver/specification.h"

#include <fmt/format.h>

#include <cmath>
#include <map>

#include "deliver/spec_sections.h"

namespace bristle {
namespace {

// What a row says, in one text.
std::string textOf(const SpecRow& row) {
  std::string out;
  for (const SpecCell& cell : row.cells) out += cell.text + "\n";
  return out;
}

// Which cells were otherwise: “Width 280, Hit area 300 × 64”.
std::string wasOf(const SpecRow& row, const SpecRow& before, const std::vector<std::string>& head) {
  std::string out;
  for (size_t i = 0; i < before.cells.size() && i < row.cells.size() && i < head.size(); ++i)
    if (row.cells[i].text != before.cells[i].text)
      out += fmt::format("{}{} {}", out.empty() ? "" : ", ", head[i],
                         before.cells[i].text.empty() ? "nothing" : before.cells[i].text);
  return out;
}

void markRows(SpecSection& now, const SpecSection& before) {
  std::map<std::string, const SpecRow*> old;
  for (const SpecRow& row : before.rows) old[row.key] = &row;
  size_t known = 0;
  for (SpecRow& row : now.rows) {
    const auto at = old.find(row.key);
    if (at == old.end()) {
      row.change = SpecChange::New;
    } else if (++known; textOf(row) != textOf(*at->second)) {
      row.change = SpecChange::Changed;
      // Columns may be others: then only that it is otherwise can be told.
      if (now.head == before.head) row.was = wasOf(row, *at->second, now.head);
    }
    if (row.change != SpecChange::None) now.change = SpecChange::Changed;
  }
  if (known != before.rows.size()) now.change = SpecChange::Changed;
}

std::string counted(size_t count, const char* what) {
  return fmt::format("{} {}{}", count, what, count == 1 ? "" : "s");
}

void markFigures(SpecSection& now, const SpecSection& before) {
  std::map<std::string, const SpecFigure*> old;
  for (const SpecFigure& figure : before.figures) old[figure.key] = &figure;
  for (SpecFigure& figure : now.figures) {
    const auto at = old.find(figure.key);
    if (at == old.end())
      figure.change = SpecChange::New;
    else if (figure.image != at->second->image || figure.caption != at->second->caption)
      figure.change = SpecChange::Changed;
    if (figure.change != SpecChange::None) now.change = SpecChange::Changed;
  }
}

}  // namespace

std::string shortNumber(double number) {
  const double rounded = std::round(number * 10) / 10;
  return rounded == std::floor(rounded) ? fmt::format("{:.0f}", rounded + 0.0)
                                        : fmt::format("{:.1f}", rounded);
}

std::string msWords(Ms ms) {
  return fmt::format("{} ms", ms);
}

int specWork(const Project& project) {
  return int(project.kinds.size() + project.machines.size() +
             project.screens.size() * project.displays.size() + 1);
}

std::optional<Specification> specify(const SpecAsked& asked) {
  int done = 0;
  bool stopped = false;
  const int all = specWork(asked.project);
  SpecMaking making{asked.project, asked.looks};
  making.goesOn = [&] {
    stopped = stopped || (asked.progress && !asked.progress(std::min(++done, all), all));
    return !stopped;
  };
  Specification out;
  out.title = asked.project.name;
  const Project& p = asked.project;
  out.about =
      fmt::format("{}, {}, {} on {} in {}", counted(p.kinds.size(), "kind"),
                  counted(p.machines.size(), "machine"), counted(p.screens.size(), "screen"),
                  counted(p.displays.size(), "display"), counted(p.languages.size(), "language"));
  for (const auto area : {specifyKinds, specifyMachines, specifyScreens, specifyProject}) {
    area(making, out.sections);
    if (stopped) return {};
  }
  return out;
}

std::string changeWords(const Specification& spec) {
  if (spec.since.empty()) return {};
  std::string out = fmt::format("Marked is what has changed since {}.", spec.since);
  for (size_t i = 0; i < spec.gone.size(); ++i)
    out += (i == 0 ? " No longer there: " : ", ") + spec.gone[i];
  return out + (spec.gone.empty() ? "" : ".");
}

void markChanges(Specification& now, const Specification& before, const std::string& since) {
  now.since = since;
  std::map<std::string, const SpecSection*> old;
  for (const SpecSection& section : before.sections) old[section.id] = &section;
  for (SpecSection& section : now.sections) {
    const auto at = old.find(section.id);
    if (at == old.end()) {
      section.change = SpecChange::New;
      continue;
    }
    if (section.title != at->second->title || section.text != at->second->text)
      section.change = SpecChange::Changed;
    markRows(section, *at->second);
    markFigures(section, *at->second);
    old.erase(at);
  }
  for (const SpecSection& section : before.sections)
    if (old.count(section.id) && section.level < 3) now.gone.push_back(section.title);
}

}  // namespace bristle
