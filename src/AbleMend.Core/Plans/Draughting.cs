using AbleMend.Core.Cases;
using AbleMend.Core.Gear;
using AbleMend.Core.Methods;
using AbleMend.Core.Patching;
using AbleMend.Core.Words;

namespace AbleMend.Core.Plans;

/// <summary>Draws the picture that every mend has.</summary>
internal static class Draughting
{
    /// <summary>The picture of a case, with what a method draws on it.</summary>
    public static Drawing Of(CaseView view, Drawn? drawn) => Of(view.Reach, view.Damage.DepthMm, view.Outline, drawn);

    /// <summary>The picture of some layers, hurt or not.</summary>
    public static Drawing Of(Reach reach, double depthMm, Outline? damage, Drawn? drawn) =>
        new(
            [.. reach.Layers.Select(layer => new SectionLayer(layer.Layer.Id, Message.Parse(layer.Layer.Name), layer.Substance.Texture, layer.TopMm, layer.Layer.ThicknessMm, layer.DepthIntoMm))],
            depthMm,
            (damage?.LengthMm ?? 0) / 2,
            damage?.Pieces ?? [],
            drawn?.Cut ?? [],
            drawn?.Key ?? [],
            drawn?.Profile,
            drawn?.Marks ?? [],
            reach.IsSkin ? MarkView.Above : MarkView.Section);
}
