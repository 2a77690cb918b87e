// Text files that people choose: in UTF-8, or in UTF-16 with a byte order mark, as sheets write it.
#pragma once
#include <QString>
#include <optional>

class QWidget;

namespace bristle {

class Work;

// The text of a file that a person picks; nothing where none was, or it cannot be read: that is
// told.
std::optional<QString> askForText(QWidget* parent, Work& work, const QString& title,
                                  const QString& filter);
// The text of that file; `why` says why it cannot be read.
std::optional<QString> textOf(const QString& path, QString* why);

}  // namespace bristle
