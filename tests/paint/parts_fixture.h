// A kind without parts, to be given some, and how it is painted.
#pragma once
#include <gtest/gtest.h>

#include <QFile>
#include <QPainter>
#include <QTemporaryDir>

#include "core/edit/kind_edits.h"
#include "paint/look_painter.h"
#include "support/menus.h"

namespace bristle::test {

class Parts : public testing::Test {
 protected:
  Parts() : history(emptyProject()) {
    must(history, addKind("K", Wins::Hover));
    must(history, resizeKind(kind().id, 100, 60));
    for (const Part& part : std::vector(kind().parts))
      must(history, removePart(kind().id, part.id));
  }
  const Kind& kind() const { return *history.now().kinds[0]; }
  PartId add(PartType type) {
    must(history, addPart(kind().id, type, "P"));
    return kind().parts.back().id;
  }
  void set(const PartId& part, Prop prop, const char* text) {
    const PropertyInfo& info = *findProperty(*partType(kind(), part), prop);
    std::string why;
    const auto value = parseValue(text, info.start, &why);
    ASSERT_TRUE(value) << text << ": expected " << why;
    must(history, setLook(kind().id, {Column{}}, {part, prop}, *value));
  }
  QImage painted(const std::string& caption = "", Ms since = 0, int margin = 40) {
    QImage image(100 + 2 * margin, 60 + 2 * margin, QImage::Format_ARGB32_Premultiplied);
    image.fill(Qt::white);
    QPainter painter(&image);
    const LookTable table(kind(), *history.now().machines[0]);
    looks.paint(painter, kind(), table, table.state(0), QRectF(margin, margin, 100, 60), caption,
                since);
    return image;
  }
  // At a place of the button.
  static QColor at(const QImage& image, int x, int y) { return image.pixelColor(x + 40, y + 40); }
  History history;
  LookPainter looks;
};

// The same with files beside it.
class PartFiles : public Parts {
 protected:
  PartFiles() { looks.pictures().setFolder(folder.path()); }
  void write(const char* name, const QByteArray& bytes) {
    QFile file(folder.filePath(QString::fromLatin1(name)));
    ASSERT_TRUE(file.open(QIODevice::WriteOnly));
    file.write(bytes);
  }
  QTemporaryDir folder;
};

}  // namespace bristle::test
