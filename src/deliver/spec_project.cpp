#include <fmt/format.h>

#include "core/derive/action_words.h"
#include "core/derive/value_uses.h"
#include "deliver/spec_sections.h"

namespace bristle {
namespace {

std::string doesWords(const Project& project, const Binding& b) {
  if (b.does != Does::Shortcut) return std::string(doesNames()[size_t(b.does)]);
  const Shortcut* shortcut = find(project, b.shortcut);
  if (!shortcut) return "not there: " + b.shortcut.text;
  return shortcut->actions.empty()
             ? shortcut->name
             : fmt::format("{}: {}", shortcut->name, inWords(project, shortcut->actions));
}

SpecSection displays(const Project& project) {
  SpecSection out{2, "displays", "Displays"};
  out.head = {"Display", "Device px", "Scale", "Layout px", "Safe area, device px", "Seen from"};
  for (const Display& d : project.displays)
    out.rows.push_back(
        {d.id.text,
         {d.name, fmt::format("{} × {}", shortNumber(d.width), shortNumber(d.height)),
          shortNumber(d.scale),
          fmt::format("{} × {}", shortNumber(d.layoutWidth()), shortNumber(d.layoutHeight())),
          d.safe.none() ? std::string("all of it")
                        : fmt::format("left {}, top {}, right {}, bottom {}",
                                      shortNumber(d.safe.left), shortNumber(d.safe.top),
                                      shortNumber(d.safe.right), shortNumber(d.safe.bottom)),
          d.distance > 0 ? shortNumber(d.distance) + " mm" : std::string("not said")}});
  return out;
}

SpecSection languages(const Project& project) {
  SpecSection out{2, "languages", "Languages"};
  out.head = {"Language", "Tag", "Reads"};
  for (const Language& l : project.languages)
    out.rows.push_back(
        {l.id.text,
         {l.name, l.tag,
          std::string(l.rightToLeft ? "from right to left" : "from left to right")}});
  return out;
}

// With what an alias leads to.
SpecCell namedCell(const Project& project, const Value& value) {
  const Naming names = naming(project);
  Value plain = value;
  if (const auto* ref = std::get_if<NamedRef>(&value)) {
    const Value* to = names.settle(ref->id);
    if (!to) return {"not there"};
    plain = *to;
  }
  if (const auto* colour = std::get_if<Colour>(&plain)) return {toText(value, &names), *colour};
  if (const auto* fill = std::get_if<Fill>(&plain); fill && fill->type == FillType::Solid)
    return {toText(value, &names), fill->stops.front().colour};
  return {toText(value, &names)};
}

SpecSection namedValues(const Project& project) {
  SpecSection out{1, "names", "Named values", "One change here changes all that uses them."};
  out.head = {"Name", "Type", "Value", "Dark set"};
  for (const NamedValue& named : *project.named)
    out.rows.push_back(
        {named.id.text,
         {named.name, std::string(nameOf(named.type)), namedCell(project, named.value),
          named.dark ? namedCell(project, *named.dark) : SpecCell("as the value")}});
  return out;
}

std::string joined(const std::vector<std::string>& words) {
  std::string out;
  for (const std::string& each : words) out += (out.empty() ? "" : "; ") + each;
  return out.empty() ? "nothing" : out;
}

SpecSection values(const Project& project) {
  SpecSection out{1, "values", "Values", "What machines, conditions and actions read and set."};
  out.head = {"Value", "Starts as", "May be", "Set by", "Asked by"};
  for (const ProjectValue& v : project.values) {
    std::string may = v.sort == ValueSort::Flag ? "yes or no" : "";
    if (v.sort == ValueSort::Choice)
      for (const std::string& option : v.options) may += (may.empty() ? "" : ", ") + option;
    if (v.sort == ValueSort::Number)
      may = fmt::format("{} to {}, by {}", v.least ? shortNumber(*v.least) : "any",
                        v.most ? shortNumber(*v.most) : "any", shortNumber(v.step));
    const ValueUses uses = usesOf(project, v.id);
    out.rows.push_back(
        {v.id.text, {v.name, inWords(v, v.start), may, joined(uses.setBy), joined(uses.askedBy)}});
  }
  return out;
}

SpecSection bindings(const Project& project) {
  SpecSection out{1, "bindings", "Keys and controller buttons",
                  "Arrow keys, the D-pad and the left stick move focus; Tab steps through what is "
                  "on the screen. Controller buttons are named by their place."};
  out.head = {"Where", "Device", "Pressed", "Does"};
  const auto add = [&](const std::string& key, const std::string& where,
                       const std::vector<Binding>& all) {
    for (const Binding& b : all)
      out.rows.push_back(
          {key + "." + toText(b.sign),
           {where, std::string(b.sign.of == Sign::Of::Key ? "keyboard" : "controller"),
            toText(b.sign), doesWords(project, b)}});
  };
  add("all", "everywhere", project.bindings);
  for (const auto& screen : project.screens) add(screen->id.text, screen->name, screen->bindings);
  return out;
}

SpecSection sounds(const Project& project) {
  SpecSection out{1, "sounds", "Sounds"};
  out.head = {"File", "When", "Volume"};
  const auto add = [&](const std::string& key, const std::string& file, const std::string& when,
                       double volume) {
    if (!file.empty())
      out.rows.push_back({key, {file, when, fmt::format("{:.0f} %", 100 * volume)}});
  };
  const Settings& s = project.settings;
  add("bump", s.bumpSound, "a direction leads nowhere", 1);
  add("open", s.openSound, "a screen opens", 1);
  add("back", s.backSound, "a screen goes back", 1);
  for (const auto& screen : project.screens)
    add(screen->id.text, screen->music.file, "again and again on “" + screen->name + "”",
        screen->music.volume);
  for (const auto& machine : project.machines)
    for (size_t i = 0; i < machine->transitions.size(); ++i)
      for (const Effect& e : machine->transitions[i].effects)
        if (e.type == EffectType::Sound)
          add(fmt::format("{}.{}", machine->id.text, i), e.file,
              fmt::format("machine “{}”, transition {}", machine->name, i + 1), e.volume);
  return out;
}

}  // namespace

void specifyProject(SpecMaking& making, SpecSections& out) {
  const Project& project = making.project;
  out.push_back({1, "shown-on", "Displays and languages"});
  out.push_back(displays(project));
  out.push_back(languages(project));
  for (SpecSection& each :
       std::vector{namedValues(project), values(project), bindings(project), sounds(project)})
    if (!each.rows.empty()) out.push_back(std::move(each));
  making.goesOn();
}

}  // namespace bristle
