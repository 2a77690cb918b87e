#include "deliver/page_pictures.h"

#include <fmt/format.h>

#include <QBuffer>
#include <QPainter>
#include <map>

#include "core/formats/file_io.h"
#include "markup/icon_strokes.h"
#include "paint/convert.h"
#include "paint/signs.h"
#include "paint/svg_guard.h"

namespace bristle {
namespace {

constexpr double kSharp = 2;        // px of a picture to one that it is shown at
constexpr double kMostSide = 2048;  // of a picture that is made
constexpr int kSign = 48;           // px: the side of a sign, before it is made sharp

std::string pngUri(const QImage& image) {
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  image.save(&buffer, "PNG");
  return dataUri("image/png", bytes.toStdString());
}

template <class Paint>
std::string painted(const QSizeF& size, Paint paint) {
  const double scale = std::min(kSharp, kMostSide / std::max({1.0, size.width(), size.height()}));
  QImage image((size * scale).toSize().expandedTo({1, 1}), QImage::Format_ARGB32_Premultiplied);
  image.fill(Qt::transparent);
  QPainter painter(&image);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.scale(scale, scale);
  paint(painter);
  painter.end();
  return pngUri(image);
}

// Collects what is used, each once.
class Gathering {
 public:
  Gathering(const Project& project, Pictures& pictures, const std::string& folder)
      : project_(project), pictures_(pictures), folder_(folder) {}

  std::vector<PagePicture> all() {
    for (const auto& kind : project_.kinds) looks(kind->base, kind->departures);
    bool prompts = false;
    for (const auto& screen : project_.screens)
      for (const auto& item : screen->items) {
        if (const auto* picture = std::get_if<PictureData>(&item->what))
          use(picture->file, true).background = true;
        const ButtonData* button = item->button();
        if (!button) continue;
        prompts = prompts || button->prompt;
        looks(button->own.base, button->own.departures);
      }
    if (prompts) signs();
    std::vector<PagePicture> out;
    for (auto& [name, picture] : found_)
      if (!picture.data.empty()) out.push_back(std::move(picture));
    return out;
  }

 private:
  // The file may stand in one column and what is done with it in another.
  void looks(const LookValues& base, const std::map<StateId, LookValues>& departures) {
    bool tinted = false, sliced = false;
    const auto each = [&](auto visit) {
      visit(base);
      for (const auto& [state, values] : departures) visit(values);
    };
    each([&](const LookValues& values) {
      for (const auto& [key, value] : values) {
        const auto* fit = std::get_if<std::string>(&value);
        tinted = tinted || key.prop == Prop::Tint;
        sliced = sliced || (key.prop == Prop::Fit && fit && *fit == "nine-slice");
      }
    });
    each([&](const LookValues& values) {
      for (const auto& [key, value] : values) {
        const auto* file = std::get_if<std::string>(&value);
        if (!file || file->empty()) continue;
        if (key.prop == Prop::Icon && iconStrokes(*file).empty()) use(*file, false).mask = true;
        if (key.prop != Prop::File) continue;
        PagePicture& picture = use(*file, false);
        picture.background = true;
        picture.mask = picture.mask || tinted;
        picture.sliced = picture.sliced || sliced;
      }
    });
  }

  PagePicture& use(const std::string& file, bool alone) {
    const std::string name = (alone ? "alone " : "") + file;
    const auto [at, fresh] = found_.try_emplace(name);
    if (!fresh) return at->second;
    PagePicture& out = at->second;
    out.name = name;
    const Pictures::Picture& picture = pictures_.get(file);
    const QSizeF size =
        alone && !picture.group.isEmpty() ? picture.group.size() : QSizeF(picture.image.size());
    PictureLook look;
    look.file = file;
    look.fit = "whole";
    look.alone = alone;
    if (picture.image.isNull()) {
      // Told as missing, by drawing it.
      painted({8, 8}, [&](QPainter& p) { pictures_.draw(p, {0, 0, 8, 8}, look); });
      return out;
    }
    out.w = size.width(), out.h = size.height();
    out.data = asItIs(file, picture);
    if (out.data.empty())
      out.data =
          painted(size, [&](QPainter& p) { pictures_.draw(p, QRectF(QPointF(), size), look); });
    return out;
  }

  // The file itself, where a browser shows it as we do.
  std::string asItIs(const std::string& file, const Pictures::Picture& picture) const {
    if (file.find('#') != file.npos) return {};
    const auto path = fileInside(folder_, file);
    const auto bytes = path ? readFile(*path) : tl::unexpected(path.error());
    if (!bytes) return {};
    if (picture.svg) {
      const auto safe = makeSafe(QByteArray::fromStdString(*bytes), file);
      return safe ? dataUri("image/svg+xml", safe->text.toStdString()) : std::string();
    }
    switch (bristle::sortOf(QByteArray::fromStdString(*bytes))) {
      case PictureSort::Png:
        return dataUri("image/png", *bytes);
      case PictureSort::Jpeg:
        return dataUri("image/jpeg", *bytes);
      case PictureSort::WebP:
        return dataUri("image/webp", *bytes);
      default:
        return {};
    }
  }

  void signs() {
    const auto add = [&](const Binding& binding) {
      const auto [at, fresh] = found_.try_emplace("sign " + toText(binding.sign));
      if (!fresh) return;
      at->second = {at->first,
                    painted({kSign, kSign},
                            [&](QPainter& p) {
                              paintSign(p, {0, 0, kSign, kSign}, binding.sign,
                                        project_.settings.padSigns, Qt::black);
                            }),
                    kSign, kSign};
      at->second.mask = true;
    };
    for (const Binding& binding : project_.bindings) add(binding);
    for (const auto& screen : project_.screens)
      for (const Binding& binding : screen->bindings) add(binding);
  }

  const Project& project_;
  Pictures& pictures_;
  const std::string& folder_;
  std::map<std::string, PagePicture> found_;
};

}  // namespace

std::vector<PagePicture> pagePictures(const Project& project, Pictures& pictures,
                                      const std::string& folder) {
  return Gathering(project, pictures, folder).all();
}

std::string pageRules(const std::vector<PagePicture>& pictures) {
  std::string out;
  for (size_t n = 0; n < pictures.size(); ++n) {
    const PagePicture& p = pictures[n];
    if (p.background)
      out += fmt::format(".b{}{{background-image:url(\"{}\");background-repeat:no-repeat}}\n", n,
                         p.data);
    if (p.mask)
      out += fmt::format(
          ".m{0}{{mask-image:url(\"{1}\");mask-repeat:no-repeat;-webkit-mask-image:url(\"{1}\");"
          "-webkit-mask-repeat:no-repeat}}\n",
          n, p.data);
    if (p.sliced)
      out += fmt::format(
          ".n{}{{border-image-source:url(\"{}\");border-style:solid;border-width:0;"
          "border-color:transparent}}\n",
          n, p.data);
  }
  return out;
}

std::string dataUri(const std::string& type, const std::string& bytes) {
  return "data:" + type + ";base64," + QByteArray::fromStdString(bytes).toBase64().toStdString();
}

}  // namespace bristle
