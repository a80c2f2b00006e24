using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.Core.People;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.App.Stock;

/// <summary>Clays and glazes of the studio.</summary>
internal static class StockEndpoints
{
    public static void MapStock(this WebApplication app)
    {
        new RepositoryEndpoints<ClayContract, VersionedClayContract, Clay>("clay", StockMapping.Read, StockMapping.Write, Right.Reserve).Map(
            app.MapGroup("/api/clays").Needs(Right.See).WithTags("Clays and glazes"),
            "/api/clays"
        );
        new RepositoryEndpoints<GlazeContract, VersionedGlazeContract, Glaze>("glaze", StockMapping.Read, StockMapping.Write, Right.Reserve).Map(
            app.MapGroup("/api/glazes").Needs(Right.See).WithTags("Clays and glazes"),
            "/api/glazes"
        );
    }
}
