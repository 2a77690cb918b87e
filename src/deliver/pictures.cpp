#include "deliver/pictures.h"

#include <QBuffer>
#include <algorithm>
#include <filesystem>
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

Json entryOf(const DeliveredPicture& p) {
  return {
      {"kind", p.kind.text}, {"state", p.state.text},
      {"file", p.file},      {"width", p.width},
      {"height", p.height},  {"box", {{"x", p.boxX}, {"y", p.boxY}, {"w", p.boxW}, {"h", p.boxH}}}};
}

// What stands still is never seen in another state than its first.
size_t statesSeen(const Kind& kind, const Machine& machine) {
  return kind.still ? 1 : machine.states.size();
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

Result<std::string> pngOf(const QImage& image, const std::string& file) {
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  if (!image.save(&buffer, "PNG")) return fail(file, "could not be encoded");
  return bytes.toStdString();
}

Result<QImage> canvasOf(const QSizeF& size, const std::string& what) {
  // Compared before it is made whole numbers, which could not hold it.
  const double most = 1e6;
  if (!(size.width() < most && size.height() < most) ||
      isTooLarge(QSize(qCeil(size.width()), qCeil(size.height()))))
    return fail(
        what,
        "its picture would be too large, " +
            fromQt(sizeInWords(
                QSizeF(std::min(size.width(), most), std::min(size.height(), most)).toSize())));
  QImage image(qCeil(size.width()), qCeil(size.height()), QImage::Format_ARGB32_Premultiplied);
  if (image.isNull()) return fail(what, "there is no memory for its picture");
  image.fill(Qt::transparent);
  return image;
}

Result<QImage> pictureOf(const Kind& kind, const LookTable& table, StateIndex state,
                         LookPainter& looks, double scale) {
  const double reach = LookPainter::reach(kind, table);
  auto image = canvasOf(QSizeF(kind.width + 2 * reach, kind.height + 2 * reach) * scale,
                        "kind “" + kind.name + "”");
  if (!image) return image;
  QPainter painter(&*image);
  painter.scale(scale, scale);
  looks.paint(painter, kind, table, table.state(state),
              QRectF(reach, reach, kind.width, kind.height), kind.sampleCaption);
  return image;
}

std::optional<Error> missingIn(const std::set<std::string>& problems) {
  if (problems.empty()) return {};
  std::string all;
  for (const std::string& problem : problems) all += "\n  " + problem;
  return Error{
      {},
      std::to_string(problems.size()) +
          (problems.size() == 1 ? " picture cannot be shown:" : " pictures cannot be shown:") +
          all};
}

Result<std::vector<DeliveredPicture>> deliverPictures(const Project& project, LookPainter& looks,
                                                      const std::string& folder,
                                                      const DeliverOptions& options) {
  std::error_code failed;
  std::filesystem::create_directories(folder, failed);
  if (!std::filesystem::is_directory(folder, failed)) return fail(folder, "cannot be made");
  int total = 0, done = 0;
  for (const auto& kind : project.kinds)
    if (const Machine* machine = find(project, kind->machine))
      total += int(statesSeen(*kind, *machine));
  std::vector<DeliveredPicture> out;
  std::vector<std::string> taken;
  Json index{{"project", project.name}, {"pictures", Json::array()}};
  FileBatch batch;
  looks.pictures().takeProblems();
  for (const auto& kind : project.kinds) {
    const Machine* machine = find(project, kind->machine);
    if (!machine) return fail("kind “" + kind->name + "”", "its machine is not there");
    const LookTable table(*kind, *machine, naming(project));
    const double reach = LookPainter::reach(*kind, table);
    const std::string base = safeFileName(kind->name, taken);
    std::vector<std::string> states;
    for (size_t s = 0; s < statesSeen(*kind, *machine); ++s) {
      const auto image = pictureOf(*kind, table, static_cast<StateIndex>(s), looks);
      if (!image) return tl::unexpected(image.error());
      DeliveredPicture entry{base + "." + safeFileName(machine->states[s].name, states) + ".png",
                             kind->id,
                             machine->states[s].id,
                             image->width(),
                             image->height(),
                             reach,
                             reach,
                             kind->width,
                             kind->height};
      const auto bytes = pngOf(*image, entry.file);
      if (!bytes) return tl::unexpected(bytes.error());
      if (auto added = batch.add(folder + "/" + entry.file, *bytes); !added)
        return tl::unexpected(added.error());
      index["pictures"].push_back(entryOf(entry));
      out.push_back(std::move(entry));
      if (options.progress && !options.progress(++done, total))
        return fail(folder, "stopped; nothing was written");
    }
  }
  if (auto missing = missingIn(looks.pictures().takeProblems()); missing && !options.allowMissing)
    return tl::unexpected(std::move(*missing));
  if (auto added = batch.add(folder + "/index.json", index.dump(2) + "\n"); !added)
    return tl::unexpected(added.error());
  if (auto written = batch.commit(); !written) return tl::unexpected(written.error());
  return out;
}

}  // namespace bristle
