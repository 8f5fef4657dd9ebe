"""Instances variable fonts with fontTools' instancer and prints outlines as quadratic and cubic segments. Arguments: a JSON list of jobs on standard input."""
import json
import sys

from fontTools.pens.basePen import decomposeQuadraticSegment
from fontTools.pens.recordingPen import DecomposingRecordingPen
from fontTools.ttLib import TTFont
from fontTools.varLib.instancer import instantiateVariableFont

found = []
for job in json.load(sys.stdin):
    font = instantiateVariableFont(TTFont(job["file"]), job["axes"])
    glyphs = font.getGlyphSet()
    letters = {}
    for letter in job["letters"]:
        pen = DecomposingRecordingPen(glyphs)
        glyphs[font.getBestCmap()[ord(letter)]].draw(pen)
        points = []
        for verb, values in pen.value:
            if verb == "qCurveTo" and values[-1] is not None:
                for control, end in decomposeQuadraticSegment(values):
                    points += [*control, *end]
            elif verb not in ("closePath", "endPath"):
                points += [number for point in values if point is not None for number in point]
        letters[letter] = {"points": points, "advance": glyphs[font.getBestCmap()[ord(letter)]].width}
    found.append(letters)
print(json.dumps(found))
