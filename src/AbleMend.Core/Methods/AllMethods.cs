namespace AbleMend.Core.Methods;

/// <summary>Every way of mending that is known, in the order in which they are offered.</summary>
public static class AllMethods
{
    /// <value>The methods.</value>
    public static IReadOnlyList<IMendMethod> List { get; } = [new FillGlassCoat(), new UvUnderFilm()];
}
