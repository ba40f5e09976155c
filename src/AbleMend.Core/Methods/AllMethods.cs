using System.Collections.Frozen;
using AbleMend.Core.Catalogue;

namespace AbleMend.Core.Methods;

/// <summary>Every way of mending that is known, family by family, in the order in which they are offered.</summary>
public static class AllMethods
{
    /// <value>What the catalogue has to know of them.</value>
    public static KnownMethods Known => new(
        List.Select(method => method.Id).ToFrozenSet(), List.SelectMany(method => method.Schools).ToFrozenSet(), List.SelectMany(method => method.Needs).ToFrozenSet(),
        List.SelectMany(method => method.Kinds).ToFrozenSet(), Enum.GetValues<Stage>().Select(Kebab<Stage>.Id).ToFrozenSet());

    /// <value>The methods.</value>
    public static IReadOnlyList<IMendMethod> List { get; } =
    [
        new FillGlassCoat(), new UvUnderFilm(), new SoftSpotInjection(), new DryByWeight(), new UvSliceFill(), new HotMeltSlice(), new GelCoatFill(),
        new TapedMould(), new ScarfOrSleeve(), new MetalEpoxy(), new PolyethyleneWeld(),
        new BaseFill(), new BaseWeld(), new BaseInset(), new EdgeRebond(),
        new CementPatch(), new SeamRebondOpen(), new SeamRebondClamped(), new StripRebond(), new PrintedVinylPatch(), new ValveReseat(),
        new MeshDiscs(), new ClothTear(), new PoleWrap(), new PoleSplint(),
        new NeoprenePatch(), new UrethaneDab(), new SeamGlue(), new SealReplacement(),
        new SoleBond(), new HeelPour(),
        new WickAndDrain(), new LacquerFill(), new PlyGlue(), new SplinterSeal(),
    ];
}
