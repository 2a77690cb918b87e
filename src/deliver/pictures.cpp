#include "deliver/pictures.h"

#include <QBuffer>
#include <QDir>
#include <algorithm>
#include <nlohmann/json.hpp>

#include "core/formats/file_io.h"
#include "paint/convert.h"

namespace bristle {
namespace {

using Json = nlohmann::ordered_json;

// Names that some systems keep for devices, whatever their ending.
bool reserved(const std::string& name) {
  static const char* const kNames[] = {"con", "prn", "aux", "nul"};
  if (std::find(std::begin(kNames), std::end(kNames), name) != std::end(kNames)) return true;
  return name.size() == 4 && (name.starts_with("com") || name.starts_with("lpt")) &&
         name[3] >= '0' && name[3] <= '9';
}

Result<std::string> png(const QImage& image, const std::string& file) {
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  if (!image.save(&buffer, "PNG")) return fail(file, "could not be encoded");
  return bytes.toStdString();
}

Json entryOf(const DeliveredPicture& p) {
  return {
      {"kind", p.kind.text}, {"state", p.state.text},
      {"file", p.file},      {"width", p.width},
      {"height", p.height},  {"box", {{"x", p.boxX}, {"y", p.boxY}, {"w", p.boxW}, {"h", p.boxH}}}};
}

}  // namespace

std::string safeFileName(const std::string& name, std::vector<std::string>& taken) {
  std::string out;
  for (char c : name) {
    if (c >= 'A' && c <= 'Z') c = static_cast<char>(c - 'A' + 'a');
    if ((c >= 'a' && c <= 'z') || (c >= '0' && c <= '9')) {
      out += c;
    } else if (!out.empty() && out.back() != '-') {
      out += '-';
    }
    if (out.size() >= 60) break;
  }
  while (!out.empty() && out.back() == '-') out.pop_back();
  if (out.empty()) out = "unnamed";
  if (reserved(out)) out += "-1";
  const std::string wanted = out;
  for (int n = 2; std::find(taken.begin(), taken.end(), out) != taken.end(); ++n)
    out = wanted + "-" + std::to_string(n);
  taken.push_back(out);
  return out;
}

QImage pictureOf(const Kind& kind, const LookTable& table, StateIndex state, LookPainter& looks,
                 double scale) {
  const double reach = LookPainter::reach(kind, table);
  QImage image(qCeil((kind.width + 2 * reach) * scale), qCeil((kind.height + 2 * reach) * scale),
               QImage::Format_ARGB32_Premultiplied);
  image.fill(Qt::transparent);
  QPainter painter(&image);
  painter.scale(scale, scale);
  looks.paint(painter, kind, table, table.state(state),
              QRectF(reach, reach, kind.width, kind.height), kind.sampleCaption);
  return image;
}

Result<std::vector<DeliveredPicture>> deliverPictures(
    const Project& project, LookPainter& looks, const std::string& folder,
    const std::function<bool(int, int)>& progress) {
  if (!QDir().mkpath(toQt(folder))) return fail(folder, "cannot be made");
  int total = 0, done = 0;
  for (const auto& kind : project.kinds)
    if (const Machine* machine = find(project, kind->machine)) total += int(machine->states.size());
  std::vector<DeliveredPicture> out;
  std::vector<std::string> taken;
  Json index{{"project", project.name}, {"pictures", Json::array()}};
  for (const auto& kind : project.kinds) {
    const Machine* machine = find(project, kind->machine);
    if (!machine) return fail("kind “" + kind->name + "”", "its machine is not there");
    const LookTable table(*kind, *machine, naming(project));
    const double reach = LookPainter::reach(*kind, table);
    const std::string base = safeFileName(kind->name, taken);
    std::vector<std::string> states;
    for (size_t s = 0; s < machine->states.size(); ++s) {
      const QImage image = pictureOf(*kind, table, static_cast<StateIndex>(s), looks);
      DeliveredPicture entry{base + "." + safeFileName(machine->states[s].name, states) + ".png",
                             kind->id,
                             machine->states[s].id,
                             image.width(),
                             image.height(),
                             reach,
                             reach,
                             kind->width,
                             kind->height};
      const auto bytes = png(image, entry.file);
      if (!bytes) return tl::unexpected(bytes.error());
      if (auto written = writeFile(folder + "/" + entry.file, *bytes); !written)
        return tl::unexpected(written.error());
      index["pictures"].push_back(entryOf(entry));
      out.push_back(std::move(entry));
      if (progress && !progress(++done, total))
        return fail(folder, "stopped; what was done so far is there");
    }
  }
  // The index comes last: where it is there, all that it names is there.
  if (auto written = writeFile(folder + "/index.json", index.dump(2) + "\n"); !written)
    return tl::unexpected(written.error());
  return out;
}

}  // namespace bristle
