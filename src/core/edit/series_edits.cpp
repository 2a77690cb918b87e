#include "core/edit/series_edits.h"

#include <fmt/format.h>

#include <algorithm>
#include <functional>
#include <unordered_map>

#include "core/edit/on_screen.h"
#include "core/tables/table_file.h"
#include "runtime/document/tree.h"

namespace bristle {
namespace {

using CellReader =
    std::function<std::string(SeriesRow&, const std::string& cell)>;  // why not, or empty

std::string lower(std::string text) {
  std::transform(text.begin(), text.end(), text.begin(),
                 [](char c) { return c >= 'A' && c <= 'Z' ? char(c + 32) : c; });
  return text;
}

// Without spaces at its ends, and without what no font has a picture for.
std::string cleaned(std::string text) {
  for (char& c : text)
    if (static_cast<unsigned char>(c) < 0x20 || c == 0x7f) c = ' ';
  const size_t from = text.find_first_not_of(' ');
  if (from == std::string::npos) return {};
  return text.substr(from, text.find_last_not_of(' ') - from + 1);
}

template <class All>
auto byName(const All& all, const std::string& name) {
  for (const auto& each : all)
    if (each->name == name) return each->id;
  return decltype(all.front()->id){};
}

class Columns {
 public:
  explicit Columns(const Project& project) : project_(project) {}

  // Nothing where the word heads no column.
  CellReader of(const std::string& head) const {
    const std::string word = lower(head);
    if (word == "caption")
      return [](SeriesRow& row, const std::string& cell) {
        row.caption.base = cell;
        return std::string();
      };
    if (word == "key") return to(&SeriesRow::key);
    if (word == "name" || word == "accessible name")
      return [](SeriesRow& row, const std::string& cell) {
        row.accessibleName.base = cell;
        return std::string();
      };
    if (word == "description")
      return [](SeriesRow& row, const std::string& cell) {
        row.description.base = cell;
        return std::string();
      };
    if (word == "kind") return kind();
    if (word == "target") return target();
    for (size_t i = 1; i < project_.languages.size(); ++i) {
      const Language& language = project_.languages[i];
      if (word == lower(language.tag) || head == language.name)
        return [id = language.id](SeriesRow& row, const std::string& cell) {
          if (!cell.empty()) row.caption.others[id] = cell;
          return std::string();
        };
    }
    if (word == lower(project_.languages.front().tag) || head == project_.languages.front().name)
      return of("caption");
    return {};
  }

 private:
  static CellReader to(std::string SeriesRow::*which) {
    return [which](SeriesRow& row, const std::string& cell) {
      row.*which = cell;
      return std::string();
    };
  }
  CellReader kind() const {
    return [this](SeriesRow& row, const std::string& cell) -> std::string {
      row.kind = byName(project_.kinds, cell);
      return row.kind || cell.empty() ? "" : "there is no kind “" + cell + "”";
    };
  }
  CellReader target() const {
    return [this](SeriesRow& row, const std::string& cell) -> std::string {
      row.target = byName(project_.screens, cell);
      row.hasTarget = true;
      return row.target || cell.empty() ? "" : "there is no screen “" + cell + "”";
    };
  }
  const Project& project_;
};

Result<std::vector<SeriesRow>> readTable(const Table& table,
                                         const std::vector<CellReader>& columns) {
  std::vector<SeriesRow> out;
  std::unordered_map<std::string, int> keys;
  for (size_t r = 1; r < table.size(); ++r) {
    const std::string line = fmt::format("line {}", table[r].line);
    if (table[r].cells.size() > columns.size())
      return fail(
          line, fmt::format("expected {} cells, found {}", columns.size(), table[r].cells.size()));
    SeriesRow row;
    for (size_t c = 0; c < table[r].cells.size(); ++c)
      if (const std::string why = columns[c](row, cleaned(table[r].cells[c])); !why.empty())
        return fail(fmt::format("{}, “{}”", line, cleaned(table[0].cells[c])), why);
    if (!row.key.empty()) {
      const auto [at, fresh] = keys.emplace(row.key, table[r].line);
      if (!fresh)
        return fail(line, fmt::format("the key “{}” is that of line {}, too", row.key, at->second));
    }
    out.push_back(std::move(row));
  }
  if (out.empty()) return fail({}, "there is no row below the heads of the columns");
  return out;
}

// No table: each line is a caption, with whatever commas it has.
Result<std::vector<SeriesRow>> captionLines(std::string_view text) {
  std::vector<SeriesRow> out;
  for (size_t from = 0; from < text.size();) {
    const size_t end = std::min(text.find('\n', from), text.size());
    SeriesRow row;
    row.caption.base = cleaned(std::string(text.substr(from, end - from)));
    if (!row.caption.base.empty()) out.push_back(std::move(row));
    from = end + 1;
  }
  if (out.empty()) return fail({}, "a series needs at least one caption");
  return out;
}

void apply(const SeriesRow& row, Item& item) {
  ButtonData& button = *item.button();
  const auto write = [](const Text& from, Text& to) {
    if (!from.base.empty()) to.base = from.base;
    for (const auto& [language, words] : from.others) to.others[language] = words;
  };
  write(row.caption, button.caption);
  write(row.accessibleName, button.accessibleName);
  write(row.description, button.description);
  if (row.kind) button.kind = row.kind;
  if (!row.hasTarget) return;
  if (row.target) button.actions = {{ActionType::Open, row.target}};
}

Item fresh(Project& project, const SeriesRow& row, const KindId& kind, const ItemId& holder) {
  Item item;
  item.id = freshId<ItemId>(project, "b");
  item.name = row.key;
  item.parent = holder;
  ButtonData button;
  button.kind = kind;
  item.what = std::move(button);
  apply(row, item);
  return item;
}

// By their names, the buttons of a container.
std::unordered_map<std::string, size_t> named(const Screen& screen, const ItemId& container) {
  std::unordered_map<std::string, size_t> out;
  for (size_t i = 0; i < screen.items.size(); ++i)
    if (screen.items[i]->button() && screen.items[i]->parent == container &&
        !screen.items[i]->name.empty())
      out.emplace(screen.items[i]->name, i);
  return out;
}

}  // namespace

Result<std::vector<SeriesRow>> readSeries(const Project& project, std::string_view text) {
  if (const size_t bad = firstNotUtf8(text); bad != std::string_view::npos)
    return fail(fmt::format("byte {}", bad + 1), "expected text in UTF-8");
  const Columns known(project);
  std::vector<CellReader> columns;
  std::string unknown;
  const auto first = parseTable(text.substr(0, text.find('\n')));
  if (first && !first->empty())
    for (const std::string& head : first->front().cells) {
      columns.push_back(known.of(cleaned(head)));
      if (!columns.back() && unknown.empty()) unknown = cleaned(head);
    }
  const auto heads =
      std::count_if(columns.begin(), columns.end(), [](const CellReader& c) { return bool(c); });
  if (heads == 0) return captionLines(text);
  if (!unknown.empty())
    return fail("line 1",
                "expected columns called caption, key, kind, target, name, description or as a "
                "language of the project; found “" +
                    unknown + "”");
  const auto table = parseTable(text);
  if (!table) return tl::unexpected(table.error());
  return readTable(*table, columns);
}

SeriesDone seriesWouldDo(const Screen& screen, const ItemId& container,
                         const std::vector<SeriesRow>& rows) {
  SeriesDone out;
  const auto there = named(screen, container);
  for (const SeriesRow& row : rows)
    ++(!row.key.empty() && there.contains(row.key) ? out.updated : out.added);
  for (const auto& item : screen.items)
    if (item->button() && item->parent == container) ++out.kept;
  out.kept -= out.updated;
  return out;
}

Edit layInto(ScreenId id, ItemId container, KindId kind, std::vector<SeriesRow> rows) {
  return onScreen(std::move(id), "lay in buttons", {},
                  [=, rows = std::move(rows)](Project after, Screen& screen) -> Result<Project> {
                    const Item* holder = findItem(screen, container);
                    if (!holder || !holder->container()) return fail({}, "that container is gone");
                    if (!find(after, kind)) return fail({}, "that kind is gone");
                    const auto there = named(screen, container);
                    std::vector<Shared<Item>> added;
                    for (const SeriesRow& row : rows) {
                      const auto at = row.key.empty() ? there.end() : there.find(row.key);
                      if (at != there.end())
                        apply(row, screen.items[at->second].edit());
                      else
                        added.emplace_back(fresh(after, row, kind, container));
                    }
                    if (!screen.entry && !added.empty() && !isStill(after, *added.front()))
                      screen.entry = added.front()->id;
                    putLast(screen, container, std::move(added));
                    return after;
                  });
}

Edit layDown(ScreenId id, KindId kind, std::vector<SeriesRow> rows, Flow flow, Px x, Px y) {
  return onScreen(id, "add buttons", {},
                  [=, rows = std::move(rows)](Project after, Screen& screen) -> Result<Project> {
                    if (rows.empty()) return fail({}, "a series needs at least one caption");
                    Item box;
                    box.id = freshId<ItemId>(after, "c");
                    box.place.x.offset = x;
                    box.place.y.offset = y;
                    ContainerData data;
                    data.flow = flow;
                    box.what = data;
                    const ItemId container = box.id;
                    screen.items.emplace_back(std::move(box));
                    return layInto(id, container, kind, rows).apply(after);
                  });
}

}  // namespace bristle
